import fc from 'fast-check';
import { seeded } from '../seeded.ts';
import { copyBoard, earliestSeat, mayBegin, newBoard, planOf, seat, unseat, type Board } from './board.ts';
import { costOf, costOfJob } from './cost.ts';
import { insertJob, worthBySkill } from './insert.ts';
import { firstPlan, fixedSteps, liftJob, placeJob } from './place.ts';
import { whatBreaks } from './plan-check.ts';
import { costOfSkill, skillPrices } from './skill-price.ts';
import { job, randomShop, shop, step, worker } from './work-for-tests.ts';

const seeds = fc.integer({ min: 1, max: 1e9 });
const plain = (b: Board) => ({ worth: worthBySkill(b, skillPrices(b)), part: 0, level: 0 });

/** The least a job costs of all ways to do its steps in their order, each as soon as somebody can. */
function leastOfAll(b: Board, id: number, n = 0): number {
  const own = b.ofJob[id] ?? [];
  const at = own[n];
  const s = at === undefined ? undefined : b.steps[at];
  if (!s) return costOfJob(b, id);
  const before = own.slice(0, n).map((i) => b.seats[i]?.free ?? 0);
  let least = Infinity;
  for (const w of s.who)
    for (const spot of s.where ?? [-1]) {
      const found = earliestSeat(b, s, Math.max(mayBegin(b, s), ...before), w, spot);
      if (!found) continue;
      seat(b, s.at, found);
      least = Math.min(least, leastOfAll(b, id, n + 1));
      unseat(b, s.at);
    }
  return least;
}

test('a job comes where it costs the least of all ways, and the plan can be done', () => {
  fc.assert(
    fc.property(seeds, fc.integer({ min: 2, max: 9 }), (seed, jobs) => {
      const work = randomShop(seed, jobs, 2, 8, false);
      const b = firstPlan(newBoard(work));
      const fixed = fixedSteps(b);
      const id = b.ofJob.findIndex((own) => own.length <= 3 && own.every((at) => !fixed[at] && b.seats[at]));
      if (id < 0) return;
      liftJob(b, id, fixed);
      const least = leastOfAll(copyBoard(b), id);
      expect(insertJob(b, id, plain(b))).toBe(true);
      expect(costOfJob(b, id)).toBeCloseTo(least, 6);
      expect(whatBreaks(work, planOf(b, costOf(b)))).toEqual([]);
    }),
  );
});

test('where some of a job stands, or somebody may do none of it, the board is left as it was', () => {
  const b = newBoard(
    shop(
      [worker(1, 1)],
      [job(1, [step('a', 30), step('b', 30, { after: ['a'] })]), job(2, [step('c', 30, { skill: 2 })])],
    ),
  );
  const found = earliestSeat(b, b.steps[0] as (typeof b.steps)[number], 0, 0, -1);
  if (found) seat(b, 0, found);
  const before = [...b.seats];
  expect(insertJob(b, 0, plain(b))).toBe(false);
  expect(insertJob(b, 1, plain(b))).toBe(false);
  expect(b.seats).toEqual(before);
});

test('who can do harder things is kept for them while many wait for that, and helps where nobody does', () => {
  const next = seeded(1);
  const hard = Array.from({ length: 60 }, (_, i) =>
    job(i + 1, [step(`h${i}`, 60 + 5 * Math.floor(next() * 12), { skill: 2 })]),
  );
  const easy = job(99, [step('easy', 60)]);
  const workers = [worker(1, 2), worker(2, 0)];
  const b = newBoard(shop(workers, [...hard, job(98, [step('first', 90, { only: [2] })]), easy]));
  placeJob(b, 60);
  const idle = { worth: worthBySkill(b, skillPrices(newBoard(shop(workers, [easy])))), part: 1, level: 0 };
  const busy = { worth: worthBySkill(b, skillPrices(b)), part: 1, level: 0 };
  expect(insertJob(b, 61, busy)).toBe(true);
  expect(b.seats.at(-1)?.worker).toBe(1);
  liftJob(b, 61, []);
  expect(insertJob(b, 61, idle)).toBe(true);
  expect(b.seats.at(-1)?.worker).toBe(0);
});

test('what a minute of hands is worth: what waits behind it, nothing when all is done, no less with more skill', () => {
  fc.assert(
    fc.property(seeds, fc.integer({ min: 1, max: 40 }), (seed, jobs) => {
      const b = newBoard(randomShop(seed, jobs, 4, 8, false));
      const prices = skillPrices(b);
      prices.forEach((line, skill) => {
        for (let day = 0; day + 1 < line.length; day++) {
          expect(line[day]).toBeGreaterThanOrEqual(line[day + 1] ?? 0);
          if (skill > 0) expect(line[day]).toBeGreaterThanOrEqual(prices[skill - 1]?.[day] ?? 0);
        }
        expect(line.at(-1)).toBe(0);
        expect(costOfSkill(prices, skill, skill, 0)).toBe(0);
      });
    }),
  );
  // Ten jobs of an hour for one pair of hands that always works: a minute at first costs each of them a sixtieth of an hour’s stay a minute.
  const always = [worker(1, 0, [{ from: 0, to: 14_400 }])];
  const b = newBoard(
    shop(
      always,
      Array.from({ length: 24 }, (_, i) => job(i + 1, [step(`${i}`, 60)])),
    ),
  );
  expect(skillPrices(b)[0]?.[0]).toBeCloseTo((b.work.weights.stay / 60) * 24, 9);
});
