import { clockOn, dayIn, type Day } from '../../core/days/zone.ts';
import { closedOn } from '../../core/days/opening.ts';
import { operation } from '../../core/catalogue/operations.ts';
import type { OfferedKind } from '../../core/job/shop.ts';
import type { Conditions } from '../../core/readings/conditions.ts';
import { likelyWork } from '../../core/schedule/likely-work.ts';
import type { Doubt } from '../../core/schedule/shop-work.ts';
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
  /** the day they want it by, and how likely that is */
  readonly wanted: PromiseDay | null;
  /** what it was counted with, in its order: hands-on minutes, and how long it rests afterwards */
  readonly steps: readonly { readonly title: string; readonly minutes: number; readonly rests: number }[];
  /** what their words spoke of: the operation’s name, and the words */
  readonly said: readonly { readonly title: string; readonly words: string }[];
  /** how long their yes to its price may take, minutes; null where it is said at the counter */
  readonly asks: Doubt | null;
  /** how many such jobs of this shop it goes by; 0: by the trade’s minutes */
  readonly such: number;
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

/** What is known at the counter of what is being taken in. */
export interface AtTheCounter {
  /** what they ask for by name, by operation */
  readonly operations: readonly string[];
  /** complaint and wish, in their words */
  readonly said: string;
  /** its kind; empty where nobody said yet */
  readonly kind: string;
  readonly strings: Conditions['strings'];
  /** the day they want it by */
  readonly neededBy: Day | null;
  /** one the shop knows */
  readonly instrumentId: number | null;
}

/** What is known of the instrument: itself, else its kind’s usual way to be built. */
async function instrumentOf({ models }: Database, c: AtTheCounter, kinds: readonly OfferedKind[]) {
  const known = c.instrumentId === null ? null : await models.Instrument.findByPk(c.instrumentId);
  if (known) return { kind: known.kind, built: known.construction };
  return { kind: c.kind, built: kinds.find((k) => k.id === c.kind)?.usual ?? null };
}

/**
 * When a job could be promised that is taken in now: looked at, read, what their words and such jobs here speak of, and a setup,
 * behind all that stands in the plan.
 */
export async function promiseDates(
  db: Database,
  counter: AtTheCounter,
  now: Date = new Date(),
): Promise<PromiseDates> {
  const plan = await currentPlan(db, now);
  const { board, from, shop, day } = plan;
  const { said, strings, operations, neededBy } = counter;
  const known = await instrumentOf(db, counter, shop.kinds);
  const before = { ...NEW_JOB, ...known, wanted: operations, said, strings, neededBy };
  const job = jobToPlan(before, day);
  const likely = likelyWork(before, day);
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
    wanted: neededBy === null || found.inTime === null ? null : { day: neededBy, chance: found.inTime },
    steps: job.steps.map((s) => ({
      title: s.title,
      minutes: Math.round(s.minutes.likely),
      rests: s.asks ? 0 : s.wait,
    })),
    said: likely.said.map((s) => ({ title: operation(s.operation, day.catalogue).name, words: s.words })),
    asks: likely.asks,
    such: likely.such,
    others: found.others.map((o) => ({
      ...o,
      job: board.work.jobs.find((j) => j.id === o.job)?.number ?? 0,
    })),
  };
}
