import fc from 'fast-check';
import { breath, LONG, runs } from '../../runs-for-tests.ts';
import { seeded } from '../seeded.ts';
import { toEnd } from '../to-end.ts';
import { newBoard, planOf, seat, unseat, type Board } from './board.ts';
import { costOf } from './cost.ts';
import { improve } from './improve.ts';
import { ordering, type Progress } from './in-order.ts';
import { firstPlan, frameOf } from './place.ts';
import { whatBreaks } from './plan-check.ts';
import type { ShopWork } from './shop-work.ts';
import { randomShop } from './work-for-tests.ts';

const begun = (b: Board): Progress => ({ tries: 0, effort: 0, least: costOf(b), best: [...b.seats] });

/** Orders a plan anew for so long; how far it came. */
function ordered(b: Board, tries: number): Progress {
  const found = begun(b);
  toEnd(ordering(b, seeded(1), found, (n) => n < tries));
  return found;
}

/** A shop with far more to do than in the next days, of whose people few may do the hardest. */
const many = (seed: number, jobs: number, dates: boolean, people = 4): ShopWork => {
  const work = randomShop(seed, jobs, people, 26, false);
  return dates ? work : { ...work, jobs: work.jobs.map((j) => ({ ...j, due: null, hard: false })) };
};

test('whatever the shop, the plan can be done, is never dearer, costs what is said, and what was put somewhere stays', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 1, max: 1e9 }),
      fc.integer({ min: 1, max: 60 }),
      fc.boolean(),
      async (seed, jobs, dates) => {
        const work = many(seed, jobs, dates);
        const b = firstPlan(newBoard(work));
        const before = costOf(b);
        const { least, best } = ordered(b, 1500);
        for (const { at } of b.steps) unseat(b, at);
        best.forEach((s, at) => s && seat(b, at, s));
        expect(least).toBeLessThanOrEqual(before + 1e-9);
        expect(costOf(b)).toBeCloseTo(least, 6);
        expect(whatBreaks(work, planOf(b, least))).toEqual([]);
        const frame = frameOf(newBoard(work));
        for (const { at, step } of b.steps)
          if (step.running || step.pin !== null) expect(b.seats[at]?.start).toBe(frame.seats[at]?.start);
        await breath();
      },
    ),
    runs(12, 300),
  );
});

test.runIf(LONG)(
  'of many jobs, plans made in the order found at a price are the better ones to go on from',
  async () => {
    let [anew, otherwise] = [0, 0];
    for (const [seed, dates] of [
      [11, false],
      [11, true],
      [13, true],
    ] as const) {
      const work = many(seed, 120, dates, 5);
      const [a, o] = [firstPlan(newBoard(work)), firstPlan(newBoard(work))];
      improve(a, { seed: 1, passed: (n) => n / 4000 });
      improve(o, { seed: 1, more: (n) => n < 4000 });
      [anew, otherwise] = [anew + costOf(a), otherwise + costOf(o)];
      await breath();
    }
    expect(anew).toBeLessThan(0.985 * otherwise);
  },
);

test('it ends when there is no time, and says how far it is', () => {
  const b = firstPlan(newBoard(many(5, 60, true)));
  const was = [...b.seats];
  const told: number[] = [];
  const found = begun(b);
  for (const { effort } of ordering(b, seeded(1), found, (n) => n < 50)) told.push(effort);
  expect(b.seats).toEqual(was);
  expect(told.length).toBeGreaterThan(2);
  expect(told).toEqual([...told].sort((x, y) => x - y));
  // No plan was made yet.
  expect(found.tries).toBe(0);
});
