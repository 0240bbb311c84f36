import { clockOn, dayIn, type Day } from '../../core/days/zone.ts';
import { closedOn } from '../../core/days/opening.ts';
import { promise } from '../../core/schedule/promise.ts';
import { jobToPlan, NEW_JOB } from '../../core/schedule/steps-of-job.ts';
import { addDays } from '../../core/days/zone.ts';
import type { Database } from '../db/connection.ts';
import { CHANCE_SEED, drawsFor } from './load-week.ts';
import { currentPlan } from './keep-plan.ts';
import { MINUTE } from './read-work.ts';
import { closesOn } from './working-time.ts';

/** A day on which something can be promised, with the chance it has. */
export interface PromiseDay {
  readonly day: Day;
  readonly chance: number;
}

/** When a job that is being taken in could be promised. */
export interface PromiseDates {
  /** for about 50, 80 and 95 in 100; fewer where it is not done in the time that is looked at */
  readonly days: readonly PromiseDay[];
  readonly minutes: number;
  /** whose date becomes less likely, with before and after */
  readonly others: readonly { readonly job: number; readonly was: number; readonly is: number }[];
}

/** The first open day by whose closing something is ready. */
function dayOf(at: number, zone: string, open: (d: Day) => boolean, closes: (d: Day) => number): Day {
  let day = dayIn(at, zone);
  if (clockOn(day, closes(day), zone) < at) day = addDays(day, 1);
  for (let n = 0; n < 60 && !open(day); n++) day = addDays(day, 1);
  return day;
}

/**
 * When a job could be promised that is taken in now: looked at, read, a plain setup and what else its order names, behind
 * all that stands in the plan.
 * @param operations what the order names already, by id
 */
export async function promiseDates(
  db: Database,
  operations: readonly string[],
  now: Date = new Date(),
): Promise<PromiseDates> {
  const plan = await currentPlan(db, now);
  const { board, from, shop, day } = plan;
  const job = jobToPlan({ ...NEW_JOB, wanted: operations }, day);
  const found = promise(board, job, { draws: drawsFor(plan), seed: CHANCE_SEED });
  const { zone } = shop.info;
  const open = (d: Day): boolean => closedOn(shop.opening, d) === null;
  const days = ([0.5, 0.8, 0.95] as const).flatMap((chance, i): PromiseDay[] => {
    const at = [found.half, found.likely, found.sure][i] ?? Infinity;
    return at === Infinity
      ? []
      : [{ day: dayOf(from + at * MINUTE, zone, open, (d) => closesOn(shop.opening, d)), chance }];
  });
  return {
    days,
    minutes: job.steps.reduce((sum, s) => sum + Math.round(s.minutes.likely), 0),
    others: found.others.map((o) => ({
      ...o,
      job: board.work.jobs.find((j) => j.id === o.job)?.number ?? 0,
    })),
  };
}
