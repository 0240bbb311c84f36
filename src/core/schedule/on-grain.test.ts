/** Work put on the grain of plans, and that a bound made of it is one of the work as it is. */
import fc from 'fast-check';
import { breath, runs } from '../../runs-for-tests.ts';
import { newBoard, type Seat } from './board.ts';
import { boardWith, lowerBound } from './bound.ts';
import { costOf } from './cost.ts';
import { bestOfAll } from './exact.ts';
import { isOnGrain, onGrain, seatOnGrain } from './on-grain.ts';
import type { Worker } from './shop-work.ts';
import { job, randomShop, shop, step, worker } from './work-for-tests.ts';

/** Two days and a third after a gap, none of them beginning or ending on the grain. */
const ODD_HOURS = [
  { from: 3, to: 187 },
  { from: 1441, to: 1629 },
  { from: 4321, to: 5003 },
];

test('the bound is below the best of all ways in a shop whose hours, rests and answers are of odd minutes', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.record({
          minutes: fc.constantFrom(30, 60, 95, 185),
          wait: fc.constantFrom(0, 17, 703),
          answer: fc.constantFrom(null, 41, 1502),
          due: fc.constantFrom(null, 93, 1499),
          cut: fc.boolean(),
        }),
        { minLength: 2, maxLength: 3 },
      ),
      fc.constantFrom(1, 2),
      async (made, people) => {
        await breath();
        const workers = Array.from({ length: people }, (_, i) => worker(i + 1, 2, ODD_HOURS));
        const jobs = made.map(({ minutes, wait, answer, due, cut }, j) =>
          job(
            j + 1,
            [
              step(`${j}a`, minutes, {
                wait,
                cut,
                waits:
                  answer === null ? null : { for: 'word', until: { low: 0, likely: answer, high: 3000 } },
              }),
              ...(j === 0 ? [step(`${j}b`, 25, { after: [`${j}a`], cut })] : []),
            ],
            { due },
          ),
        );
        const work = shop(workers, jobs);
        const best = bestOfAll(newBoard(work));
        if (!best) return;
        const least = costOf(best);
        const bound = lowerBound(work, 3 * least + 10);
        expect(bound).toBeLessThanOrEqual(least + 1e-6);
        expect(bound).toBeGreaterThan(0);
      },
    ),
    runs(60, 500),
  );
});

test('work on the grain stays as it is; what is not begins sooner, ends later and waits less, by less than the grain', () => {
  const even = randomShop(5, 20);
  expect(isOnGrain(newBoard(even))).toBe(true);
  expect(onGrain(even).workers).toEqual(even.workers);
  const odd = shop(
    [worker(1, 2, ODD_HOURS)],
    [
      job(1, [
        step('a', 30, {
          wait: 17,
          pin: 44,
          waits: { for: 'part', until: { low: 0, likely: 58.5, high: 90 } },
        }),
      ]),
    ],
  );
  expect(isOnGrain(newBoard(odd))).toBe(false);
  const made = onGrain(odd);
  expect(isOnGrain(newBoard(made))).toBe(true);
  expect(made.workers[0]?.calendar).toMatchObject({ from: [0, 1440, 4320], to: [190, 1630, 5005] });
  expect(made.jobs[0]?.steps[0]).toMatchObject({ wait: 15, pin: 40, waits: { until: { likely: 55 } } });
});

test('what stands on the grain stays, its rest ends on it; what begins beside it is known to', () => {
  const work = shop([worker(1)], [job(1, [step('a', 30, { wait: 17 }), step('b', 30, { after: ['a'] })])]);
  const even = onGrain(work);
  const one = even.workers[0] as Worker;
  const s: Seat = { worker: 0, spot: -1, start: 60, end: 90, hold: 90, free: 107, worked: 60 };
  expect(seatOnGrain(s, one)).toEqual({ ...s, free: 105 });
  expect(isOnGrain(boardWith(even, [seatOnGrain(s, one), null]))).toBe(true);
  const beside = { ...s, start: 63, end: 93, hold: 93, free: 93, worked: 63 };
  expect(seatOnGrain(beside, one)).toEqual(beside);
  expect(isOnGrain(boardWith(even, [seatOnGrain(beside, one), null]))).toBe(false);
});

test('what is longer than anybody’s hours goes on after them, also where they are put on the grain', () => {
  // Stretches of 184 and 188 minutes; on the grain they would be 190.
  const work = shop([worker(1, 2, ODD_HOURS.slice(0, 2))], [job(1, [step('a', 190, { cut: false })])]);
  expect(newBoard(work).steps[0]?.whole).toBe(false);
  expect(newBoard(onGrain(work)).steps[0]?.whole).toBe(false);
});
