import fc from 'fast-check';
import { fretPosition } from './fret-position.ts';
import { neckAngle } from './neck-angle.ts';
import { neckReset } from './neck-reset.ts';
import { shim, shimFor } from './shim.ts';

const PLACE = { scale: 648, compensation: 2, lip: 410, end: 480, fret: 12 };
const NECK = {
  planeAboveBridge: 1,
  scale: 648,
  compensation: 0,
  nut: 0.5,
  fret: 12,
  targetAction: 2,
  standout: { low: 2, high: 5 },
};

describe('neckAngle', () => {
  test('the saddle that gives the action is found by drawing the string', () => {
    const n = neckAngle({ ...NECK, compensation: 3, fret: 17, targetAction: 2.4 });
    const share = fretPosition(648, 17) / 651;
    expect(0.5 + (n.saddleHeight - 0.5) * share).toBeCloseTo(2.4, 12);
    expect(n.standout).toBeCloseTo(1 + n.saddleHeight, 12);
  });

  test.each([
    ['inside the limits', 1, 'saddle', 0],
    ['at the lower limit', -1.5, 'saddle', 0],
    ['at the upper limit', 1.5, 'saddle', 0],
    ['plane too low at the bridge', -2, 'steeper', 0.5],
    ['plane too high at the bridge', 2, 'shallower', 0.5],
  ] as const)('%s', (_, planeAboveBridge, verdict, shortBy) => {
    const n = neckAngle({ ...NECK, planeAboveBridge });
    expect(n.verdict).toBe(verdict);
    expect(n.shortBy).toBeCloseTo(shortBy, 12);
  });
});

describe('shim', () => {
  test('an even shim lifts the whole neck by its thickness', () => {
    const s = shim(PLACE, 0.4, 0.4);
    expect([s.angle, s.saddleDrop]).toEqual([0, 0.4]);
    expect(s.actionChange).toBeCloseTo((-0.4 * 324) / 650, 12);
  });

  test('the drop at the saddle is the plane through both ends, gone on straight', () => {
    const s = shim(PLACE, 0.2, 0.7);
    expect(s.saddleDrop).toBeCloseTo(0.2 + (0.5 * (650 - 410)) / 70, 12);
    expect(s.angle).toBeCloseTo((Math.atan(0.5 / 70) * 180) / Math.PI, 12);
  });

  test('the shim for a wanted action gives that action', () => {
    const change = fc.double({ min: -3, max: 0, noNaN: true });
    fc.assert(
      fc.property(
        change,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 5, max: 20 }),
        (wanted, lip, fret) => {
          const made = shimFor({ ...PLACE, fret }, lip, wanted);
          expect(made.actionChange).toBeCloseTo(wanted, 9);
          expect(shim({ ...PLACE, fret }, lip, made.endThickness)).toEqual(made);
        },
      ),
    );
  });
});

describe('neckReset', () => {
  test('heel and lift are arms of one angle', () => {
    const r = neckReset(648, 14, 90, 3, 2);
    const arm = 650 - fretPosition(648, 14);
    expect(r.atHeel / 90).toBeCloseTo(3 / arm, 12);
    expect(Math.tan((r.angle * Math.PI) / 180)).toBeCloseTo(3 / arm, 12);
    expect(neckReset(648, 14, 90, 3).atHeel).toBeGreaterThan(r.atHeel);
  });
});
