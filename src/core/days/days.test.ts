import fc from 'fast-check';
import { sayDate, sayDay, sayMoment, weekdayOf } from './say-days.ts';
import { addDays, dayIn, daysBetween, isZone, startOfDay, wallClock } from './zone.ts';

/** Zones with and without clock changes, half and quarter hours, both sides of the date line, midnights that do not exist. */
const ZONES = [
  'UTC',
  'Europe/Berlin',
  'America/New_York',
  'America/St_Johns',
  'Pacific/Auckland',
  'Pacific/Chatham',
  'Pacific/Apia',
  'Asia/Kathmandu',
  'Asia/Kolkata',
  'Asia/Beirut',
  'Africa/Cairo',
  'America/Santiago',
  'Australia/Lord_Howe',
];
const HOUR = 3_600_000;
const zone = fc.constantFrom(...ZONES);
const moment = fc.integer({ min: Date.UTC(2015, 0, 1), max: Date.UTC(2035, 0, 1) });

test('a moment lies in its day: not before it begins, and before the next one does', () => {
  fc.assert(
    fc.property(moment, zone, (at, where) => {
      const day = dayIn(at, where);
      const [begins, ends] = [startOfDay(day, where), startOfDay(addDays(day, 1), where)];
      expect(begins).toBeLessThanOrEqual(at);
      expect(ends).toBeGreaterThan(at);
      // The first moment of its day, and the last one before it is of the day before.
      expect(dayIn(begins, where)).toBe(day);
      expect(dayIn(begins - 1, where)).toBe(addDays(day, -1));
      // A day of a clock change has 23 to 25 hours, half an hour more or less on one island.
      expect((ends - begins) / HOUR).toBeGreaterThanOrEqual(23);
      expect((ends - begins) / HOUR).toBeLessThanOrEqual(25);
    }),
    { numRuns: 1500 },
  );
});

test('days are counted on the calendar, whatever the clocks do', () => {
  fc.assert(
    fc.property(moment, fc.integer({ min: -400, max: 400 }), zone, (at, n, where) => {
      const day = dayIn(at, where);
      expect(daysBetween(day, addDays(day, n))).toBe(n);
      expect(addDays(addDays(day, n), -n)).toBe(day);
      expect(addDays(day, 1) > day).toBe(true);
    }),
  );
});

test.each([
  ['2026-11-20T11:30:00Z', 'Pacific/Auckland', '2026-11-21', 0],
  ['2026-11-20T11:30:00Z', 'America/New_York', '2026-11-20', 6],
  // Spring forward in Berlin: half past one is followed by three.
  ['2026-03-29T01:30:00Z', 'Europe/Berlin', '2026-03-29', 3],
  ['2026-10-25T01:30:00Z', 'Europe/Berlin', '2026-10-25', 2],
] as const)('%s in %s is %s, %d o’clock', (iso, where, day, hour) => {
  expect(dayIn(Date.parse(iso), where)).toBe(day);
  expect(wallClock(Date.parse(iso), where).hour).toBe(hour);
});

test('a day whose midnight does not exist begins with the first moment there is', () => {
  // In Beirut the clocks go from midnight to one.
  const begins = startOfDay('2026-03-29', 'Asia/Beirut');
  expect(wallClock(begins, 'Asia/Beirut')).toMatchObject({ day: 29, hour: 1, minute: 0 });
});

test('a zone is one, or is not', () => {
  expect([isZone('Pacific/Auckland'), isZone('Pacific/Nowhere'), isZone('')]).toEqual([true, false, false]);
});

test.each([
  ['2026-11-27', 'today'],
  ['2026-11-28', 'tomorrow'],
  ['2026-11-26', 'yesterday'],
  ['2026-11-30', 'Mon'],
  ['2026-12-04', '4 Dec'],
  ['2026-11-20', '20 Nov'],
  ['2027-12-01', '1 Dec 2027'],
])('%s is said as %s', (day, said) => {
  expect(sayDay(day, '2026-11-27', 'day-month')).toBe(said);
});

test('days and moments in the shop’s form', () => {
  const at = Date.UTC(2026, 10, 27, 21, 5);
  expect([
    sayMoment(at, 'Pacific/Auckland', 'day-month'),
    sayMoment(at, 'America/New_York', 'month-day'),
    sayMoment(at, 'UTC', 'iso'),
  ]).toEqual(['28 Nov, 10:05', 'Nov 27, 16:05', '2026-11-27, 21:05']);
  expect([
    sayDate('2026-12-16', 'day-month'),
    sayDate('2026-12-16', 'month-day'),
    sayDate('2026-12-16', 'iso'),
  ]).toEqual(['16 December 2026', 'December 16, 2026', '2026-12-16']);
  expect(weekdayOf('2026-11-27')).toBe('Fri');
});

test('what is late is late in the shop, wherever the tablet is', () => {
  fc.assert(
    fc.property(moment, zone, (at, where) => {
      const today = dayIn(at, where);
      expect(sayDay(today, today, 'day-month')).toBe('today');
      expect(sayDay(dayIn(startOfDay(addDays(today, 1), where), where), today, 'day-month')).toBe('tomorrow');
      expect(sayDay(dayIn(startOfDay(today, where) - 1, where), today, 'day-month')).toBe('yesterday');
    }),
  );
});
