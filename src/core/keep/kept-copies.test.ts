import fc from 'fast-check';
import { whichStay, USUAL_COPIES } from './kept-copies.ts';

const DAY = 86_400_000;
const from = Date.UTC(2026, 0, 1, 2, 30);
const days = (n: number): number[] => Array.from({ length: n }, (_, i) => from + i * DAY);

test('a year of nights leaves a week of days, five weeks and twelve months, each the newest of its own', () => {
  const taken = days(365);
  const stay = [...whichStay(taken, USUAL_COPIES, 'UTC')].map((at) =>
    new Date(at).toISOString().slice(0, 10),
  );
  expect(stay.length).toBeLessThanOrEqual(7 + 5 + 12);
  expect(stay).toContain('2026-12-31');
  expect(stay).toContain('2026-12-25');
  // The newest of November, and of the week before the last: a Sunday.
  expect(stay).toContain('2026-11-30');
  expect(stay).toContain('2026-12-20');
  expect(stay).toContain('2026-01-31');
  expect(stay).not.toContain('2026-06-15');
});

test('those of the last 24 hours stay whatever is kept; before, several of one day are one', () => {
  const [old, later, newest] = [from, from + 1000, from + 10 * DAY] as const;
  const none = { daily: 0, weekly: 0, monthly: 0 };
  expect([...whichStay([old, later, newest, newest - 1000], none, 'UTC')]).toEqual([newest, newest - 1000]);
  expect([...whichStay([old, later, newest], { ...none, daily: 3 }, 'UTC')]).toEqual([newest, later]);
});

test('days begin where the shop is', () => {
  // 23:30 and 00:30 at the shop: two days; in UTC one.
  const two = [Date.UTC(2026, 5, 1, 11, 30), Date.UTC(2026, 5, 1, 12, 30), Date.UTC(2026, 6, 1)];
  const kept = { daily: 3, weekly: 0, monthly: 0 };
  expect(whichStay(two, kept, 'Pacific/Auckland').size).toBe(3);
  expect(whichStay(two, kept, 'UTC').size).toBe(2);
});

test('what stays once stays while nothing newer takes its place: made again and again, it settles', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 800 }), { minLength: 1, maxLength: 60 }),
      fc.record({ daily: fc.nat(9), weekly: fc.nat(9), monthly: fc.nat(9) }),
      (at, kept) => {
        const taken = at.map((d) => from + d * DAY);
        const once = whichStay(taken, kept, 'UTC');
        expect(whichStay([...once], kept, 'UTC')).toEqual(once);
        expect(once.has(Math.max(...taken))).toBe(true);
      },
    ),
  );
});
