import { newBoard } from '../../core/schedule/board.ts';
import { calendarOf } from '../../core/schedule/calendar.ts';
import {
  differenceOf,
  type MovedStep,
  type PlanTime,
  type TriedWeek,
} from '../../core/schedule/difference.ts';
import { improving } from '../../core/schedule/improve.ts';
import { replan } from '../../core/schedule/place.ts';
import { pullUp } from '../../core/schedule/pull-up.ts';
import type { WorkToSearch } from '../../core/schedule/look-for-better.ts';
import { standing, staysLonger, tryingRemedies, type Remedy } from '../../core/schedule/remedies.ts';
import { sayRemedy } from '../../core/schedule/say-week.ts';
import { plainStep } from '../../core/schedule/step-of.ts';
import type { PlannedJob, ShopWork } from '../../core/schedule/shop-work.ts';
import type { WeekTry } from '../../contracts/week-try.ts';
import { addDays, clockOn, dayIn, startOfDay, wallClock } from '../../core/days/zone.ts';
import type { Database } from '../db/connection.ts';
import { currentPlan } from './keep-plan.ts';
import { CHANCE_SEED, drawsFor, wordsFor } from './load-week.ts';
import { inSlices } from './in-slices.ts';
import { MINUTE, type KeptPlan } from './read-work.ts';
import { closesOn } from './working-time.ts';

const SEED = 7;
const OTHER_TRIES = 400;
const TRIED_MS = 2500;

/** A rush job's number while it is only tried. */
const TRIED_JOB = -1;

/** A job of a few hours that has to be ready on a day. */
function rushJob({ from, shop }: KeptPlan, asked: Extract<WeekTry, { kind: 'rush' }>): PlannedJob {
  const step = (id: string, title: string, likely: number, after: readonly string[]) => ({
    ...plainStep(id, title, { low: likely * 0.7, likely, high: likely * 1.6 }),
    after,
    skill: asked.skill,
    guess: true,
  });
  const due = clockOn(asked.day, closesOn(shop.opening, asked.day), shop.info.zone);
  return {
    id: TRIED_JOB,
    number: 0,
    title: 'a rush job',
    due: Math.round((due - from) / MINUTE),
    hard: true,
    promised: null,
    holder: null,
    steps: [
      step('look:0', 'Inspect and read', 40, []),
      step('guess:0', 'Its work', asked.minutes, ['look:0']),
    ],
  };
}

/** The work as it would be. */
function workWith(plan: KeptPlan, asked: WeekTry): ShopWork {
  const { work, from, shop } = plan;
  const { zone } = shop.info;
  const minutes = (ms: number): number => Math.round((ms - from) / MINUTE);
  const days = (first: string, last: string) => ({
    from: minutes(startOfDay(first, zone)),
    to: minutes(startOfDay(addDays(last, 1), zone)),
  });
  switch (asked.kind) {
    case 'longer': {
      const at = (m: number): number => minutes(clockOn(asked.day, m, zone));
      return staysLonger(work, { worker: asked.worker, from: at(asked.from), to: at(asked.to) });
    }
    case 'away': {
      const gone = days(asked.from, asked.to);
      return {
        ...work,
        workers: work.workers.map((w) => {
          if (w.id !== asked.worker) return w;
          const left = w.calendar.from.flatMap((f, i) => {
            const to = w.calendar.to[i] ?? f;
            return [
              { from: f, to: Math.min(to, gone.from) },
              { from: Math.max(f, gone.to), to },
            ].filter((s) => s.to > s.from);
          });
          return { ...w, calendar: calendarOf(left) };
        }),
      };
    }
    case 'out':
      return {
        ...work,
        spots: work.spots.map((s) =>
          s.id === asked.spot ? { ...s, out: [...s.out, days(asked.from, asked.to)] } : s,
        ),
      };
    case 'rush':
      return { ...work, jobs: [...work.jobs, rushJob(plan, asked)] };
  }
}

const timeOf = (plan: KeptPlan): PlanTime => ({ from: plan.from, draws: drawsFor(plan), seed: CHANCE_SEED });

/** The shop's work and its plan as it stands, for a search that does not run here. */
export async function workToSearch(db: Database, now: Date = new Date()): Promise<WorkToSearch> {
  const plan = await currentPlan(db, now);
  return { ...timeOf(plan), work: plan.board.work, seats: plan.board.seats };
}

/** Tries something beside the plan that holds; nothing is changed by it. */
export async function tryWeek(
  db: Database,
  asked: WeekTry,
  now: Date = new Date(),
  signal?: AbortSignal,
): Promise<TriedWeek> {
  const plan = await currentPlan(db, now);
  const { board } = plan;
  const until = performance.now() + TRIED_MS;
  const work = { ...workWith(plan, asked), before: standing(board) };
  const ahead = asked.kind === 'rush' ? [work.jobs.length - 1] : [];
  const other = replan(newBoard(work), ahead);
  const more = (n: number): boolean => n < OTHER_TRIES && performance.now() < until;
  await inSlices(improving(other, { seed: SEED, more }), signal);
  return { ...differenceOf(board, pullUp(other), timeOf(plan)), gap: null };
}

/** A way to save a promise as a screen shows it. */
export interface ShownRemedy {
  readonly says: string;
  readonly was: number;
  readonly is: number;
  readonly others: readonly { readonly job: number; readonly was: number; readonly is: number }[];
  /** how it is done with one tap: a step given to somebody, or a plan taken; null where people have to agree on it */
  readonly put: {
    readonly jobId: number;
    readonly step: string;
    readonly worker: number;
    /** how long somebody said it takes in all: that stays */
    readonly minutes: number | null;
    readonly version: number;
  } | null;
  readonly moved: readonly MovedStep[] | null;
  /** hours somebody would stay longer, once that is agreed: minutes after midnight */
  readonly longer: {
    readonly personId: number;
    readonly day: string;
    readonly from: number;
    readonly to: number;
  } | null;
}

/** Hours of the plan as an entry of a day; what goes past midnight ends with the day. */
function longerOf(r: Remedy, { from, shop }: KeptPlan): ShownRemedy['longer'] {
  if (r.kind !== 'longer') return null;
  const { zone } = shop.info;
  const begins = from + r.from * MINUTE;
  const day = dayIn(begins, zone);
  const { hour, minute } = wallClock(begins, zone);
  const at = 60 * hour + minute;
  return { personId: r.worker, day, from: at, to: Math.min(1440, at + r.to - r.from) };
}

/** What would save a job's date, tried before it is told. */
export async function remediesOf(
  db: Database,
  jobId: number,
  now: Date = new Date(),
  signal?: AbortSignal,
): Promise<readonly ShownRemedy[]> {
  const plan = await currentPlan(db, now);
  const { board, puts } = plan;
  const job = board.work.jobs.findIndex((j) => j.id === jobId);
  if (job < 0) return [];
  const words = {
    ...wordsFor(plan),
    step: (id: string) => board.steps.find((s) => s.step.id === id)?.step.title ?? '',
  };
  const number = (id: number): number => board.work.jobs.find((j) => j.id === id)?.number ?? 0;
  const putBy = (r: Remedy): ShownRemedy['put'] =>
    r.kind === 'hands'
      ? {
          jobId,
          step: r.step,
          worker: r.worker,
          minutes: puts.get(r.step)?.minutes ?? null,
          version: puts.get(r.step)?.version ?? 0,
        }
      : null;
  const tried = await inSlices(tryingRemedies(board, job, CHANCE_SEED, drawsFor(plan)), signal);
  return tried.map((t) => ({
    says: sayRemedy(t.remedy, words),
    was: t.was,
    is: t.is,
    others: t.others.map((o) => ({ ...o, job: number(o.job) })),
    put: putBy(t.remedy),
    moved:
      t.remedy.kind === 'first' || t.remedy.kind === 'longer'
        ? differenceOf(board, t.board, timeOf(plan)).moved
        : null,
    longer: longerOf(t.remedy, plan),
  }));
}
