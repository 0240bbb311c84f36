import { hoursOf, seasonOfAir, weeksOf } from './air-log.ts';
import { atMoment, isSeason } from './season.ts';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const BEGIN = Date.UTC(2025, 2, 3);
const year = (at: number): number =>
  Math.cos((2 * Math.PI * (at - Date.UTC(2025, 6, 20))) / (365.2425 * DAY));
const logged = (days: number, air = (at: number) => 45 + 14 * year(at)) =>
  Array.from({ length: days * 24 }, (_, i) => ({
    at: BEGIN + i * HOUR,
    humidity: air(BEGIN + i * HOUR),
    temperature: 20,
  }));

test('the mean of every hour, whatever the order of its lines; a temperature only where one was written', () => {
  const at = BEGIN + 5 * HOUR;
  const hours = hoursOf([
    { at: at + HOUR, humidity: 50, temperature: null },
    { at: at + 10, humidity: 40, temperature: 20 },
    { at: at + HOUR - 1, humidity: 41, temperature: 21 },
    { at: at + 20, humidity: 43, temperature: null },
  ]);
  expect(hours).toEqual([
    { at, humidity: 41.3, temperature: 20.5 },
    { at: at + HOUR, humidity: 50, temperature: null },
  ]);
});

test('a year of a logger tells the season; two months of it tell none', () => {
  const season = seasonOfAir(weeksOf(logged(400)), []);
  expect(isSeason(season)).toBe(true);
  expect(season && atMoment(season, Date.UTC(2026, 6, 20))).toBeCloseTo(59, 0);
  expect(seasonOfAir(weeksOf(logged(60)), [])).toBeNull();
});

test('what was read with rounds counts in the weeks nothing was logged', () => {
  const half = logged(190);
  const rounds = Array.from({ length: 6 }, (_, i) => {
    const at = BEGIN + (200 + i * 27) * DAY;
    return { at, value: 45 + 14 * year(at) };
  });
  const season = seasonOfAir(weeksOf(half), rounds);
  expect(season?.mean).toBeCloseTo(45, 0);
  const wrong = half.slice(0, 20).map((h) => ({ at: h.at, value: 99 }));
  expect(seasonOfAir(weeksOf(half), [...rounds, ...wrong])?.mean).toBeCloseTo(season?.mean ?? 0, 9);
});
