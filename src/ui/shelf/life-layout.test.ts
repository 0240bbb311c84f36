import { LIFE_WIDTH, layLife, type LifeBand, type LifePoint } from './life-layout.ts';

const DAY = 86_400_000;
const point = (day: number, value: number, job: number, left = false): LifePoint => ({
  at: Date.UTC(2024, 0, 1) + day * DAY,
  value,
  job,
  left,
});
const band = (name: string, points: readonly LifePoint[], more: Partial<LifeBand> = {}): LifeBand => ({
  name,
  points,
  ahead: null,
  say: (v) => v.toFixed(2),
  ...more,
});
const relief = band('Relief', [
  point(0, 0.3, 1),
  point(1, 0.2, 1, true),
  point(300, 0.27, 2),
  point(301, 0.2, 2, true),
  point(700, 0.12, 3),
]);

test('what was done stands within a visit, what moved by itself between two', () => {
  const [laid] = layLife([relief]).bands;
  expect([laid?.done.length, laid?.between.length]).toEqual([2, 2]);
  expect(laid?.points.map((p) => p.left)).toEqual([false, true, false, true, false]);
  expect(laid?.ticks.map((t) => t.says)).toEqual(['0.30', '0.12']);
  const [high, low] = [laid?.points[0]?.y ?? 0, laid?.points[4]?.y ?? 0];
  expect(high).toBeLessThan(low);
});

test('bands lie under each other over one time, an empty one takes no room, nothing leaves the picture', () => {
  const life = layLife([relief, band('Action', []), band('Air', [point(0, 50, 1), point(300, 31, 2)])]);
  expect(life.bands.map((b) => b.name)).toEqual(['Relief', 'Air']);
  const [a, b] = life.bands;
  expect((a?.top ?? 0) + (a?.height ?? 0)).toBeLessThan(b?.top ?? 0);
  expect(a?.points[0]?.x).toBe(b?.points[0]?.x);
  for (const l of life.bands)
    for (const p of l.points) {
      expect(p.x).toBeGreaterThanOrEqual(0);
      expect(p.x).toBeLessThanOrEqual(LIFE_WIDTH);
      expect(p.y).toBeGreaterThanOrEqual(l.top);
      expect(p.y).toBeLessThanOrEqual(l.top + l.height);
    }
  expect(life.years.map((y) => y.year)).toEqual([2025]);
});

test('what is expected has room too', () => {
  const ahead = { at: Date.UTC(2026, 1, 15), value: 0.1, low: -0.1, high: 0.25 };
  const [laid] = layLife([{ ...relief, ahead }]).bands;
  expect(laid?.ahead?.x).toBeGreaterThan(laid?.points.at(-1)?.x ?? 0);
  expect(laid?.ahead?.low).toBeLessThanOrEqual((laid?.top ?? 0) + (laid?.height ?? 0));
});

test('visits one after the other are all marked, and named where there is room', () => {
  const many = Array.from({ length: 40 }, (_, i) => point(20 * i, 0.2, i + 1));
  const { visits } = layLife([band('Relief', many)]);
  expect(visits).toHaveLength(40);
  const named = visits.filter((v) => v.named).map((v) => v.x);
  expect(named.length).toBeGreaterThan(10);
  for (let i = 1; i < named.length; i++) expect((named[i] ?? 0) - (named[i - 1] ?? 0)).toBeGreaterThan(30);
});

test('one reading alone is drawn, and none at all is an empty picture', () => {
  const [one] = layLife([band('Relief', [point(0, 0, 1)])]).bands;
  expect(one?.points[0]?.y).toSatisfy(Number.isFinite);
  expect(one?.ticks).toHaveLength(1);
  expect(layLife([]).bands).toEqual([]);
});
