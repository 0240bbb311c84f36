import fc from 'fast-check';
import { saddleMove } from '../intonation/saddle-move.ts';
import { fretPosition } from '../neck/fret-position.ts';
import { stringLine } from '../neck/string-line.ts';
import { nutSlot } from '../nut/nut-slot.ts';
import { saddleHeight } from './saddle-height.ts';

const scale = fc.double({ min: 250, max: 900, noNaN: true });

describe('saddleHeight', () => {
  test('twice at the 12th, about 1.6 times at the 17th, 1.46 at the 20th', () => {
    expect(saddleHeight(648, 12, 2.4, 2.0).change).toBeCloseTo(-0.8, 12);
    expect(saddleHeight(648, 12, 2.4, 2.0).firstCut).toBeCloseTo(-0.64, 12);
    expect(saddleHeight(648, 17, 1, 0).change).toBeCloseTo(-1.599, 3);
    expect(saddleHeight(648, 20, 1, 0).change).toBeCloseTo(-1.46, 2);
  });

  test('a saddle changed by it brings the string to its target', () => {
    const height = fc.double({ min: 0.5, max: 5, noNaN: true });
    fc.assert(
      fc.property(
        scale,
        fc.integer({ min: 5, max: 22 }),
        height,
        height,
        fc.double({ min: 0, max: 5, noNaN: true }),
        (L, fret, now, target, comp) => {
          const before = stringLine(
            L,
            [
              { fret: 0, height: 0.3 },
              { fret, height: now },
            ],
            comp,
          );
          const saddle = before.saddle + saddleHeight(L, fret, now, target, comp).change;
          const reached = 0.3 + ((saddle - 0.3) * fretPosition(L, fret)) / (L + comp);
          expect(reached).toBeCloseTo(target, 9);
        },
      ),
    );
  });

  test('nothing is read at the nut', () => {
    expect(() => saddleHeight(648, 0, 2, 1)).toThrow(RangeError);
  });
});

describe('nutSlot', () => {
  test('1.55 times held at 3, 2.06 times held at 2', () => {
    expect(nutSlot(3, 0.2, 0.1).perGap).toBeCloseTo(1.5451, 3);
    expect(nutSlot(2, 0.2, 0.1).perGap).toBeCloseTo(2.0594, 3);
  });

  test('cut by it, the gap is the target: checked on the straight string itself', () => {
    fc.assert(
      fc.property(
        scale,
        fc.integer({ min: 2, max: 5 }),
        fc.double({ min: 0, max: 0.6, noNaN: true }),
        (L, held, target) => {
          const gapOf = (nut: number) => nut * (1 - fretPosition(L, 1) / fretPosition(L, held));
          const nut = 0.9;
          expect(gapOf(nut - nutSlot(held, gapOf(nut), target).deeper)).toBeCloseTo(target, 9);
        },
      ),
    );
  });

  test('a slot already too deep comes out negative', () => {
    expect(nutSlot(3, 0.02, 0.1).deeper).toBeLessThan(0);
  });

  test('holding fret 1 itself shows no gap', () => {
    expect(() => nutSlot(1, 0.1, 0.1)).toThrow(RangeError);
  });
});

describe('saddleMove', () => {
  /** The error one hears: fretted against its ideal, from string lengths alone. */
  const heard = (fret: number, sounding: number, open: number) =>
    1200 * Math.log2(open / sounding) - 100 * fret;

  test('about 0.37 mm a cent at the 12th on 648 mm', () => {
    expect(saddleMove(648, 12, 1)).toBeCloseTo(0.374, 2);
  });

  test('moved by it, the pitch error is gone', () => {
    fc.assert(
      fc.property(
        scale,
        fc.integer({ min: 3, max: 20 }),
        fc.double({ min: -15, max: 15, noNaN: true }),
        fc.double({ min: 0, max: 4, noNaN: true }),
        (L, fret, e, comp) => {
          const xs = L + comp;
          const xn = fretPosition(L, fret);
          const m = saddleMove(L, fret, e, comp);
          // What the string does besides its lengths stays as it was: e is measured, not caused by the geometry.
          const after = heard(fret, xs - xn + m, xs + m);
          const wanted = 1200 * Math.log2(xs / (xs - xn)) - e;
          expect(after + 100 * fret).toBeCloseTo(wanted, 7);
          if (Math.abs(e) > 1e-6) expect(Math.sign(m)).toBe(Math.sign(e));
        },
      ),
    );
  });

  test('no error, no move', () => {
    expect(saddleMove(648, 12, 0, 2)).toBeCloseTo(0, 9);
  });

  test.each([
    [0, 1],
    [12, 1300],
  ])('fret %d, %d cents is refused', (fret, cents) => {
    expect(() => saddleMove(648, fret, cents)).toThrow(RangeError);
  });
});
