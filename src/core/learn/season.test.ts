import { normal } from '../sound/pluck-for-tests.ts';
import { seeded } from '../seeded.ts';
import { nextMonth, reliefForecast } from './forecast.ts';
import { atMoment, isSeason, seasonOf, seasonOfDrifts, type Drift } from './season.ts';

const DAY = 86_400_000;
const BEGIN = Date.UTC(2022, 0, 10);
const year = (at: number): number =>
  Math.cos((2 * Math.PI * (at - Date.UTC(2022, 6, 20))) / (365.2425 * DAY));

/** Visits over four years, about every two months, with what moved since the one before: a season of a size, and the reading's error. */
function visits(random: () => number, size: number, count = 24): Drift[] {
  const gauss = normal(random);
  const times = Array.from({ length: count + 1 }, (_, i) => BEGIN + (i + 0.6 * random()) * 61 * DAY);
  return times.slice(1).map((to, i) => {
    const from = times[i] ?? BEGIN;
    return { from, to, by: size * (year(to) - year(from)) + 0.02 * gauss() };
  });
}

test('a season is found in four years of simulated visits, and none where there is none', () => {
  const random = seeded(8);
  let [found, falsely] = [0, 0];
  for (let i = 0; i < 1000; i++) {
    if (isSeason(seasonOfDrifts(visits(random, 0.05)))) found++;
    if (isSeason(seasonOfDrifts(visits(random, 0)))) falsely++;
  }
  expect(found).toBeGreaterThan(980);
  expect(falsely / 1000).toBeLessThan(0.05);
  expect(falsely).toBeGreaterThan(10);
});

test('what is found is the season there is', () => {
  const season = seasonOfDrifts(visits(seeded(3), 0.08, 400));
  const swing = (s: NonNullable<typeof season>): number => Math.hypot(s.cos, s.sin);
  expect(season && swing(season)).toBeCloseTo(0.08, 2);
  const [july, january] = [Date.UTC(2025, 6, 20), Date.UTC(2026, 0, 18)];
  expect(season && atMoment(season, july) - atMoment(season, january)).toBeCloseTo(0.16, 1);
});

test('values that are read over years: their mean and season, exactly where nothing is off', () => {
  const points = Array.from({ length: 12 }, (_, i) => {
    const at = BEGIN + i * 47 * DAY;
    return { at, value: 45 + 14 * year(at) };
  });
  const season = seasonOf(points);
  expect(season?.mean).toBeCloseTo(45, 9);
  expect(season && atMoment(season, Date.UTC(2027, 6, 20))).toBeCloseTo(59, 0);
  expect(isSeason(season)).toBe(true);
});

test('too few, or all of one day of the year, say nothing', () => {
  expect(seasonOf([{ at: 0, value: 1 }])).toBeNull();
  const same = Array.from({ length: 8 }, () => ({ at: BEGIN, value: 40 }));
  expect(seasonOf(same)).toBeNull();
  expect(seasonOfDrifts(visits(seeded(1), 0.1, 4))).toBeNull();
});

const AIR = { value: 0.03, sd: 0.01, own: 3, others: { instruments: 0, acts: 0 } };
const left = { at: Date.UTC(2026, 7, 1), value: 0.2, humidity: 60 };

test('by the air that is usual then: the relief, with what air, neck and reading leave open', () => {
  const house = { mean: 45, cos: 0, sin: 0, sd: 5, byChance: 0.001 };
  const february = nextMonth(left.at, 2);
  expect(new Date(february).toISOString()).toBe('2027-02-15T00:00:00.000Z');
  const f = reliefForecast(left, february, AIR, house, null);
  expect(f?.value).toBeCloseTo(0.2 - 0.045, 12);
  expect(f?.sd).toBeCloseTo(Math.hypot(0.015, 0.015, 0.02), 12);
  expect(f?.by).toEqual({ kind: 'air', humidity: 45 });
});

test('by its own year where nobody read the air; nothing where neither is known', () => {
  const own = { mean: 0, cos: 0.05, sin: 0.01, sd: 0.02, byChance: 0.01 };
  const f = reliefForecast({ ...left, humidity: null }, nextMonth(left.at, 2), AIR, null, own);
  expect(f?.by).toEqual({ kind: 'year' });
  expect(f?.value).toBeCloseTo(0.2 + atMoment(own, nextMonth(left.at, 2)) - atMoment(own, left.at), 12);
  const none = { ...own, byChance: 0.4 };
  expect(reliefForecast({ ...left, humidity: null }, nextMonth(left.at, 2), AIR, null, none)).toBeNull();
  expect(reliefForecast(left, nextMonth(left.at, 2), AIR, none, null)).toBeNull();
});

test('the next month of a number is this year’s or the next', () => {
  expect(new Date(nextMonth(Date.UTC(2026, 0, 3), 2)).getUTCFullYear()).toBe(2026);
  expect(new Date(nextMonth(Date.UTC(2026, 1, 16), 2)).getUTCFullYear()).toBe(2027);
});
