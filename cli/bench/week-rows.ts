import { newBoard, planOf } from '../../src/core/schedule/board.ts';
import { lowerBound, standingIn } from '../../src/core/schedule/bound.ts';
import { chancesOf, playThrough } from '../../src/core/schedule/chance.ts';
import { costOf } from '../../src/core/schedule/cost.ts';
import { improve } from '../../src/core/schedule/improve.ts';
import { firstPlan, replan } from '../../src/core/schedule/place.ts';
import { whatBreaks } from '../../src/core/schedule/plan-check.ts';
import { promise } from '../../src/core/schedule/promise.ts';
import { standing } from '../../src/core/schedule/remedies.ts';
import type { ShopWork } from '../../src/core/schedule/shop-work.ts';
import { job, randomShop, step } from '../../src/core/schedule/work-for-tests.ts';
import { median, rowOf, type Row } from './row.ts';
import { timesAtOnceByTurns } from './times.ts';

const JOBS = 300;
const PEOPLE = 8;

const CHECK = 'times checking that plan against every rule';

/** So long a better plan is looked for, ms of one core. */
const LOOKED_FOR = 5000;

/**
 * What the plan of 300 open jobs costs that is found in a while, beside what none can cost less than.
 * @param usual about what it costs, on a quiet machine
 */
function betterRow([seed, usual]: readonly [seed: number, usual: number]): Row {
  const shop = randomShop(seed, JOBS, PEOPLE, 26, false);
  const work = { ...shop, jobs: shop.jobs.map((j) => ({ ...j, due: null, hard: false })) };
  const b = firstPlan(newBoard(work));
  const began = process.cpuUsage();
  improve(b, { seed: 1, passed: () => process.cpuUsage(began).user / 1000 / LOOKED_FOR });
  const cost = costOf(b);
  const bound = lowerBound(work, cost, standingIn(b));
  return rowOf(
    `week.better.5-s.300.shop-${seed}`,
    median(1.1, usual),
    'times what no plan can cost less than',
    [bound],
    [cost],
    'cost',
  );
}

/** The planner on 300 open jobs of eight people: a first plan, one change, a promise, a thousand ways it may come out. */
export function weekRows(): Row[] {
  const work = randomShop(7, JOBS, PEOPLE, 26, false);
  const b = firstPlan(newBoard(work));
  improve(b, { seed: 1, more: (n) => n < 1000 });
  const plan = planOf(b, costOf(b));
  const asked = job(9999, [step('look', 30), step('do', 120, { after: ['look'], wait: 720 })], {
    due: 20_000,
  });
  const changed = newBoard({ ...work, before: standing(b), jobs: [...work.jobs, asked] });
  const larger = randomShop(7, 4 * JOBS, 4 * PEOPLE, 26, false);
  const [few, many] = [250, 2000].map((jobs) => randomShop(7, jobs, PEOPLE, 200)) as [ShopWork, ShopWork];
  const row = (id: string, most: number, quiet: number, f: () => unknown, runs?: number): Row =>
    rowOf(
      `week.${id}`,
      median(most, quiet),
      CHECK,
      ...timesAtOnceByTurns(() => whatBreaks(work, plan), f, runs),
    );
  return [
    row('first-plan.300', 45, 150, () => firstPlan(newBoard(work))),
    row('one-change.300', 4, 12, () => replan(changed)),
    row('promise.300', 90, 180, () => promise(b, asked, { draws: 200, seed: 1 })),
    row('chances.1000-draws.300', 200, 400, () => chancesOf(b, playThrough(b, 1000, 1)), 6),
    rowOf(
      'week.first-plan.1200-of-32',
      median(24, 900),
      'times the first plan of 300 jobs of 8 people',
      ...timesAtOnceByTurns(
        () => firstPlan(newBoard(work)),
        () => firstPlan(newBoard(larger)),
        4,
      ),
    ),
    // n log n would be 11 times.
    rowOf(
      'week.first-plan.2000',
      median(16, 900),
      'times the first plan of 250 jobs of as many people',
      ...timesAtOnceByTurns(
        () => firstPlan(newBoard(few)),
        () => firstPlan(newBoard(many)),
        4,
      ),
    ),
    ...(
      [
        [7, 3850],
        [8, 5370],
        [9, 3360],
      ] as const
    ).map(betterRow),
  ];
}
