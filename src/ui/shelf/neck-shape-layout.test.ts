import { neckProfile } from '../../core/neck/neck-profile.ts';
import { drawShapes } from './neck-shape-layout.ts';

const SIZE = { width: 1000, height: 240 };
const gaps = (by: number) =>
  [3, 5, 7, 9, 11].flatMap((fret) =>
    (['bass', 'treble'] as const).map((side) => ({ fret, side, gap: by * (1 - Math.abs(fret - 7) / 6) })),
  );
const shape = (by: number) => neckProfile(648, gaps(by), { low: 1, high: 14 });

test('two necks stand on one scale: the same fret at the same x, the deeper one lower, both inside the drawing', () => {
  const d = drawShapes(648, shape(0.1), shape(0.3), SIZE);
  const [a, b] = [d.a[0]?.points ?? [], d.b[0]?.points ?? []];
  expect(a.map((p) => p.x)).toEqual(b.map((p) => p.x));
  for (const [i, p] of a.entries()) expect(b[i]?.y ?? 0).toBeGreaterThan(p.y);
  for (const p of [...a, ...b]) {
    expect(p.x).toBeGreaterThanOrEqual(0);
    expect(p.x).toBeLessThanOrEqual(SIZE.width);
    expect(p.y).toBeGreaterThanOrEqual(0);
    expect(p.y).toBeLessThanOrEqual(SIZE.height);
  }
  expect(d.enlarged).toBeGreaterThan(1);
});

test('heights are true to one another: three times the gap is three times as far from the line', () => {
  const d = drawShapes(648, shape(0.1), shape(0.3), SIZE);
  const depth = (s: typeof d.a) => Math.max(...(s[0]?.points ?? []).map((p) => p.y - d.line));
  expect(depth(d.b) / depth(d.a)).toBeCloseTo(3, 6);
});

test('a round that did not measure the neck draws nothing of it', () => {
  expect(drawShapes(648, null, shape(0.2), SIZE).a).toEqual([]);
});
