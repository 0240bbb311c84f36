import { input } from '../plan/plan-input-for-tests.ts';
import { fretTopsOf } from '../plan/solve/problem-from.ts';
import { fretLevel } from '../frets/fret-level.ts';
import { neckModel } from '../whatif/neck-model.ts';
import fc from 'fast-check';
import { usualConstruction } from '../instrument/defaults.ts';
import type { Reading } from '../readings/reading.ts';
import { edgeSpan } from '../readings/stations.ts';
import { topsFor, positionsOf } from '../whatif/consequences.ts';
import { boardShape } from './board-shape.ts';
import { fretPosition } from './fret-position.ts';
import { smoothThrough } from './smooth-through.ts';

const C = usualConstruction('solid-electric');
const X = positionsOf(C);
const NONE = new Float64Array(C.frets + 1);
const { low, high } = edgeSpan(C);
const FRETS = [3, 5, 7, 9, 12, 15, 17, 19, C.frets].filter((n) => n !== high);

/** What a straightedge shows of fret tops over any plane, at both edges. */
function underEdge(tops: ArrayLike<number>, frets = FRETS, twist = 0) {
  const line = (n: number): number => {
    const [p, q] = [fretPosition(C.scale, low), fretPosition(C.scale, high)];
    const [a, b] = [tops[low] ?? 0, tops[high] ?? 0];
    return a + ((b - a) * (fretPosition(C.scale, n) - p)) / (q - p);
  };
  return frets.flatMap((fret) =>
    [3, 1].map((string) => ({
      quantity: 'straightedge' as const,
      string,
      fret,
      value: line(fret) - (tops[fret] ?? 0) + (string === 3 ? twist : 0),
    })),
  );
}
const most = (a: Float64Array): number => Math.max(...a.map(Math.abs));

test('an even bow has no shape of its own, wherever the line lies; its relief is told by the reference way', () => {
  fc.assert(
    fc.property(fc.double({ min: -0.3, max: 0.6, noNaN: true }), (relief) => {
      const tops = topsFor(C, relief, NONE, X);
      const shape = boardShape(C, underEdge(tops), relief);
      expect(most(shape?.bass ?? NONE)).toBeLessThan(0.004);
      expect(shape?.relief).toBeCloseTo(relief, 9);
      expect(boardShape(C, underEdge(tops), null)?.relief).toBeCloseTo(relief, 9);
    }),
  );
});

test('a hump is found where it is, a rise at the far end where it begins, a twist by its side', () => {
  const over = Float64Array.from({ length: C.frets + 1 }, (_, n) => (n >= 8 && n <= 10 ? 0.15 : 0));
  const hump = boardShape(C, underEdge(topsFor(C, 0.2, over, X)), 0.2);
  expect(hump?.bass[9]).toBeCloseTo(0.15, 2);
  expect(hump?.bass[3]).toBeCloseTo(0, 2);
  const up = Float64Array.from({ length: C.frets + 1 }, (_, n) => Math.max(0, n - 16) * 0.04);
  const last = up[C.frets] ?? 0;
  const rise = boardShape(C, underEdge(topsFor(C, 0.2, up, X)), null);
  // Over the plane through the first and the last fret, what lies before a rise lies deeper.
  const [p, q] = [X[1] ?? 0, X[C.frets] ?? 1];
  expect(rise?.bass[C.frets]).toBeCloseTo(0, 9);
  expect((rise?.bass[12] ?? 0) - (rise?.bass[16] ?? 0)).toBeGreaterThan(0);
  expect(last * (((X[12] ?? 0) - p) / (q - p))).toBeGreaterThan(0.1);
  const twisted = boardShape(
    C,
    underEdge(
      topsFor(C, 0.2, NONE, X),
      FRETS.filter((n) => n < 12),
      0.1,
    ),
    0.2,
  );
  expect((twisted?.treble[7] ?? 0) - (twisted?.bass[7] ?? 0)).toBeCloseTo(0.1, 9);
});

test('what a fret stands over its neighbours is its own, not the wood’s', () => {
  const tops = topsFor(C, 0.2, NONE, X);
  const high9 = { ...tops, [9]: (tops[9] ?? 0) + 0.12 } as unknown as ArrayLike<number>;
  const rock = { quantity: 'fret-rock' as const, string: 0, fret: 9, value: 0.12 };
  const shape = boardShape(C, [...underEdge(high9), rock], 0.2);
  expect(most(shape?.bass ?? NONE)).toBeLessThan(0.004);
});

test('the held string tells it, too, from two places on; the relief alone does not', () => {
  const gap = (fret: number, more: number) => ({
    quantity: 'relief' as const,
    string: 0,
    fret,
    value: -(topsFor(C, 0.2, NONE, X)[fret] ?? 0) - more,
  });
  expect(boardShape(C, [gap(7, 0)], 0.2)).toBeNull();
  expect(most(boardShape(C, [gap(7, 0), gap(9, 0)], 0.2)?.bass ?? NONE)).toBeLessThan(0.004);
  const shape = boardShape(C, [gap(5, 0), gap(7, 0), gap(9, 0.08)], 0.2);
  expect(shape?.treble[9]).toBeCloseTo(0.08, 9);
  expect(shape?.treble[7]).toBeCloseTo(0, 9);
  expect(shape?.relief).toBeNull();
});

test('a smooth line goes through its points and stays between neighbours', () => {
  const value = fc.double({ min: -1, max: 1, noNaN: true });
  fc.assert(
    fc.property(
      fc.array(value, { minLength: 1, maxLength: 9 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (ys, t) => {
        const points = ys.map((y, x) => ({ x, y }));
        const at = smoothThrough(points);
        for (const p of points) expect(at(p.x)).toBeCloseTo(p.y, 12);
        const x = t * (ys.length - 1);
        const near = [ys[Math.floor(x)] ?? 0, ys[Math.ceil(x)] ?? 0];
        expect(at(x)).toBeGreaterThanOrEqual(Math.min(...near) - 1e-9);
        expect(at(x)).toBeLessThanOrEqual(Math.max(...near) + 1e-9);
      },
    ),
  );
  expect(smoothThrough([])(1)).toBe(0);
});

test('a measured hump is what is levelled and heard, though every fret is as high as the next over its board', () => {
  const over = Float64Array.from({ length: C.frets + 1 }, (_, n) => (n >= 8 && n <= 10 ? 0.12 : 0));
  const heights = Array.from({ length: C.frets }, (_, i) =>
    [3, 2, 1].map((string) => ({ quantity: 'fret-height' as const, string, fret: i + 1, value: 1.1 })),
  ).flat();
  const plain = input('solid-electric', { relief: 0.2 });
  const read = [...heights, ...underEdge(topsFor(C, 0.2, over, X))].map((r) => ({
    ...r,
    key: `${r.quantity}:${r.string}:${r.fret}`,
    round: 'as-found' as const,
    takenAt: 0,
    notRepresentative: null,
  }));
  const measured = {
    ...plain,
    readings: new Map<string, Reading>([...plain.readings, ...read.map((r) => [r.key, r] as const)]),
  };
  const straight = {
    ...plain,
    readings: new Map([...measured.readings].filter(([k]) => !k.startsWith('straightedge'))),
  };
  const off = (of: typeof measured, fret: number) =>
    fretLevel(C.scale, fretTopsOf(of), 0.5).frets.find((f) => f.fret === fret)?.removal.middle ?? 0;
  expect(off(straight, 9)).toBeCloseTo(0, 9);
  expect(off(measured, 9) - off(measured, 4)).toBeGreaterThan(0.1);
  expect(neckModel({ ...straight, set: undefined })?.tops[9]).toBe(0);
  expect(neckModel({ ...measured, set: undefined })?.tops[9]).toBeCloseTo(0.12, 2);
});
