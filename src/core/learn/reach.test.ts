import { seeded } from '../seeded.ts';
import { reachOf, wantsLook, type WatchedAt } from './reach.ts';

const YEAR = 365.2425 * 86_400_000;
const at = (years: number, value: number, job: number, left = true): WatchedAt => ({
  at: years * YEAR,
  value,
  job,
  left,
});
const BELOW = { limit: 0.6, side: 'below' as const };

test('what is past its limit is reached; what was never read is not', () => {
  expect(reachOf([], BELOW, true, 0)).toEqual({ state: 'not read' });
  expect(reachOf([at(0, 0.59, 1)], BELOW, true, 0)).toMatchObject({ state: 'reached', value: 0.59 });
  // At its limit it still keeps to it.
  expect(reachOf([at(0, 0.6, 1)], BELOW, true, 0).state).toBe('unclear');
  expect(reachOf([at(0, 3, 1)], { limit: 2.8, side: 'above' }, false, 0)).toMatchObject({ state: 'reached' });
});

test('frets that lose a tenth a year reach their limit when the sum says', () => {
  const series = [at(0, 1, 1), at(1, 0.9, 2), at(2, 0.8, 3), at(3, 0.7, 4)];
  const r = reachOf(series, BELOW, true, 3 * YEAR);
  expect(r.state).toBe('coming');
  if (r.state !== 'coming') return;
  expect(r.likely / YEAR).toBeCloseTo(4, 2);
  expect(r.early).toBeLessThan(r.likely);
  expect(r.late ?? Infinity).toBeGreaterThan(r.likely);
  expect(wantsLook(r, 4.5 * YEAR)).toBe(true);
  expect(wantsLook(r, 3.5 * YEAR)).toBe(false);
});

test('an action that is set anew at each visit goes by what it did between them', () => {
  // Comes up .2 mm a year, brought down each time.
  const series = [at(0, 2, 1), at(1, 2.2, 2, false), at(1.01, 2, 2), at(2.01, 2.2, 3, false), at(2.02, 2, 3)];
  const r = reachOf(series, { limit: 2.4, side: 'above' }, false, 2.1 * YEAR);
  expect(r.state).toBe('coming');
  if (r.state === 'coming') expect(r.likely / YEAR).toBeCloseTo(4.02, 1);
});

test('two readings tell nothing of when; what goes the other way is far', () => {
  expect(reachOf([at(0, 1, 1), at(1, 0.9, 2)], BELOW, true, YEAR)).toMatchObject({
    state: 'unclear',
    few: true,
  });
  const still = [at(0, 1, 1), at(1, 1.02, 2), at(2, 0.98, 3), at(3, 1, 4)];
  expect(reachOf(still, BELOW, true, 3 * YEAR)).toMatchObject({ state: 'unclear', few: false });
  const away = [at(0, 1, 1), at(1, 1.2, 2), at(2, 1.4, 3), at(3, 1.6, 4)];
  expect(reachOf(away, BELOW, true, 3 * YEAR).state).toBe('far');
});

test('no time that is said lies in the past', () => {
  const series = [at(0, 1, 1), at(1, 0.9, 2), at(2, 0.8, 3)];
  const r = reachOf(series, BELOW, true, 40 * YEAR);
  if (r.state === 'coming') expect(Math.min(r.early, r.likely)).toBeGreaterThanOrEqual(40 * YEAR);
});

test('of simulated frets nine in ten reach their limit between the times that are said', () => {
  const random = seeded(17);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  let [within, said] = [0, 0];
  for (let i = 0; i < 600; i++) {
    const rate = 0.05 + 0.1 * random();
    const series = Array.from({ length: 6 }, (_, k) => at(k, 1.6 - rate * k, k + 1)).map((s) => ({
      ...s,
      value: s.value + 0.03 * normal(),
    }));
    const r = reachOf(series, BELOW, true, 5 * YEAR);
    if (r.state !== 'coming') continue;
    said += 1;
    const truly = (1 / rate) * YEAR;
    if (truly >= r.early && (r.late === null || truly <= r.late)) within += 1;
  }
  expect(said).toBeGreaterThan(400);
  expect(within / said).toBeGreaterThan(0.86);
});
