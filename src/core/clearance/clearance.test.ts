import fc from 'fast-check';
import { fretPosition } from '../neck/fret-position.ts';
import { clearance, clearanceOfNeck, pluckDepth, reliefTops, type ClearanceString } from './clearance.ts';
import { runs } from '../../runs-for-tests.ts';

const BASE: ClearanceString = {
  scale: 648,
  compensation: 2,
  frets: 20,
  nut: 0.5,
  saddle: 3.8,
  tops: new Float64Array(21),
  tension: 75,
  force: 1.5,
  share: 0.5,
  pluck: 130,
};

/**
 * An ideal string released from a triangle of depth A at p from the far end: two half-waves running apart and turned
 * over at the ends. Its lowest place at s over one whole period, found by looking.
 */
function lowestBySampling(length: number, p: number, depth: number, s: number, steps = 4000): number {
  const peak = length - p;
  const shape = (x: number): number => {
    const wrapped = ((x % (2 * length)) + 2 * length) % (2 * length);
    const at = wrapped <= length ? wrapped : 2 * length - wrapped;
    const height = at <= peak ? (depth * at) / peak : (depth * (length - at)) / (length - peak);
    return wrapped <= length ? height : -height;
  };
  let lowest = Infinity;
  for (let i = 0; i < steps; i++) {
    const shift = (2 * length * i) / steps;
    lowest = Math.min(lowest, (shape(s - shift) + shape(s + shift)) / 2);
  }
  return lowest;
}

describe('the envelope is the motion of an ideal string', () => {
  test('its lower edge is the corner at the mirror point and straight lines to the ends', () => {
    const places = fc.record({
      length: fc.double({ min: 200, max: 900, noNaN: true }),
      share: fc.double({ min: 0.05, max: 0.5, noNaN: true }),
      at: fc.double({ min: 0.01, max: 0.99, noNaN: true }),
    });
    fc.assert(
      fc.property(places, ({ length, share, at }) => {
        const [p, s] = [length * share, length * at];
        const envelope = s <= p ? s / p : (length - s) / (length - p);
        expect(-lowestBySampling(length, p, 1, s)).toBeCloseTo(envelope, 2);
      }),
      runs(40),
    );
  });

  test('the depth is what a force at p gives a stretched string', () => {
    // Two straight halves pulled with T: F = T·(A/p + A/(ℓ − p)).
    const depth = pluckDepth({ ...BASE, share: 1 }, 650, 130);
    expect(75 * (depth / 130 + depth / 520)).toBeCloseTo(1.5, 12);
    expect(pluckDepth(BASE, 650, 130)).toBeCloseTo(depth / 2, 12);
  });
});

describe('clearance', () => {
  test('every cell is the tightest fret by looking at all of them', () => {
    const s: ClearanceString = { ...BASE, tops: reliefTops(648, 20, { low: 1, high: 20, max: 0.25 }) };
    s.tops[9] = (s.tops[9] ?? 0) + 0.15;
    const map = clearance(s);
    for (let held = 0; held < 20; held++) {
      const from = fretPosition(648, held);
      const [length, height] = [650 - from, held === 0 ? 0.5 : (s.tops[held] ?? 0)];
      const p = Math.min(130, length / 2);
      const depth = pluckDepth(s, length, p);
      const margins = Array.from({ length: 20 - held }, (_, i) => {
        const at = fretPosition(648, held + 1 + i) - from;
        const still = height + ((3.8 - height) * at) / length - (s.tops[held + 1 + i] ?? 0);
        return still - depth * (at <= p ? at / p : (length - at) / (length - p));
      });
      expect(map.margin[held]).toBeCloseTo(Math.min(...margins), 12);
      expect(map.fret[held]).toBe(held + 1 + margins.indexOf(Math.min(...margins)));
    }
  });

  test('no force leaves the gap at rest', () => {
    const map = clearance({ ...BASE, force: 0 });
    expect([...map.margin]).toEqual([...map.still]);
  });

  test('harder plucking never gives more margin, a higher saddle never less', () => {
    const more = fc.double({ min: 0, max: 4, noNaN: true });
    fc.assert(
      fc.property(more, more, (force, up) => {
        const [soft, hard] = [clearance({ ...BASE, force }), clearance({ ...BASE, force: force + 1 })];
        const high = clearance({ ...BASE, force, saddle: BASE.saddle + up });
        for (let held = 0; held < 20; held++) {
          expect(hard.margin[held]).toBeLessThanOrEqual((soft.margin[held] ?? 0) + 1e-12);
          expect(high.margin[held]).toBeGreaterThanOrEqual((soft.margin[held] ?? 0) - 1e-12);
        }
      }),
    );
  });

  test('a neck scaled in all its lengths has margins scaled alike', () => {
    const k = 1.7;
    const scaled = clearance({
      ...BASE,
      scale: 648 * k,
      compensation: 2 * k,
      nut: 0.5 * k,
      saddle: 3.8 * k,
      pluck: 130 * k,
    });
    const base = clearance(BASE);
    for (let held = 0; held < 20; held++)
      expect(scaled.margin[held]).toBeCloseTo((base.margin[held] ?? 0) * k, 10);
  });

  test('the pluck is at most at half the sounding length', () => {
    const far = clearance({ ...BASE, pluck: 600 });
    const half = clearance({ ...BASE, pluck: 325 });
    expect(far.margin[0]).toBe(half.margin[0]);
  });

  test('all strings of a neck are each string by itself', () => {
    const maps = clearanceOfNeck([BASE, { ...BASE, nut: 0.4 }]);
    expect(maps).toHaveLength(2);
    expect(maps[1]).toEqual(clearance({ ...BASE, nut: 0.4 }));
  });
});

describe('reliefTops', () => {
  test('lie under the plane between the two frets and nowhere else', () => {
    const tops = reliefTops(648, 20, { low: 1, high: 14, max: 0.2 });
    expect([tops[0], tops[1], tops[14], tops[15], tops[20]].map((t) => t === 0)).toEqual(Array(5).fill(true));
    for (let n = 2; n < 14; n++) expect(tops[n]).toBeLessThan(0);
    expect(Math.min(...tops)).toBeGreaterThanOrEqual(-0.2);
    expect(Math.min(...tops)).toBeLessThan(-0.197);
  });

  test('no relief, no bow; a span beyond the last fret is cut off there', () => {
    expect([...reliefTops(648, 3)]).toEqual([0, 0, 0, 0]);
    expect(reliefTops(648, 5, { low: 1, high: 14, max: 0.2 })).toHaveLength(6);
  });
});
