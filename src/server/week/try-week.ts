import { copyBoard, newBoard, type Board } from '../../core/schedule/board.ts';
import { bounding } from '../../core/schedule/bound.ts';
import { calendarOf } from '../../core/schedule/calendar.ts';
import { chancesOf, playThrough } from '../../core/schedule/chance.ts';
import { costOf, finishOf } from '../../core/schedule/cost.ts';
import { improving } from '../../core/schedule/improve.ts';
import { replan } from '../../core/schedule/place.ts';
import { standing, staysLonger, tryingRemedies, type Remedy } from '../../core/schedule/remedies.ts';
import { sayRemedy } from '../../core/schedule/say-week.ts';
import type { PlannedJob, ShopWork } from '../../core/schedule/shop-work.ts';
import type { WeekTry } from '../../contracts/week-try.ts';
import { addDays, clockOn, dayIn, startOfDay, wallClock } from '../../core/days/zone.ts';
import type { Database } from '../db/connection.ts';
import { currentPlan } from './keep-plan.ts';
import { CHANCE_SEED, drawsFor, wordsFor } from './load-week.ts';
import { inSlices } from './in-slices.ts';
import { MINUTE, type KeptPlan } from './read-work.ts';
import { closesOn } from './working-time.ts';

/** A step that another plan puts elsewhere. Moments are ms. */
export interface MovedStep {
  readonly step: string;
  readonly jobId: number;
  readonly job: number;
  readonly title: string;
  readonly was: { readonly worker: number; readonly start: number } | null;
  readonly is: { readonly worker: number; readonly spot: string | null; readonly start: number } | null;
}

/** A job whose date comes out otherwise. */
export interface MovedJob {
  readonly number: number;
  readonly title: string;
  readonly wasReady: number | null;
  readonly isReady: number | null;
  readonly was: number | null;
  readonly is: number | null;
}

/** Another plan beside the one that holds. */
export interface TriedWeek {
  readonly moved: readonly MovedStep[];
  readonly jobs: readonly MovedJob[];
  /** by how much of what it costs it may be worse than the best plan there is, at most; null where that was not asked */
  readonly gap: number | null;
}

const SEED = 7;
const SAME_MINUTES = 15;
const NOTABLE = 0.02;
const BETTER_TRIES = 3000;
const OTHER_TRIES = 400;
const BETTER_MS = 2500;

/** What differs between two plans, the second one of the same work or of some that differs a little. */
function difference(plan: KeptPlan, other: Board): Omit<TriedWeek, 'gap'> {
  const { board: b, from } = plan;
  const ms = (minutes: number): number => from + minutes * MINUTE;
  const draws = drawsFor(plan);
  const [was, is] = [
    chancesOf(b, playThrough(b, draws, CHANCE_SEED)),
    chancesOf(other, playThrough(other, draws, CHANCE_SEED)),
  ];
  const before = standing(b);
  const after = standing(other);
  const titles = new Map([...b.steps, ...other.steps].map((s) => [s.step.id, s] as const));
  const moved = [...titles].flatMap(([id, own]): MovedStep[] => {
    const [x, y] = [before[id], after[id]];
    if (x && y && x.worker === y.worker && Math.abs(x.start - y.start) <= SAME_MINUTES) return [];
    if (!x && !y) return [];
    const job = (other.steps.some((s) => s === own) ? other : b).work.jobs[own.job];
    return [
      {
        step: id,
        jobId: job?.id ?? 0,
        job: job?.number ?? 0,
        title: own.step.title,
        was: x ? { worker: x.worker, start: ms(x.start) } : null,
        is: y ? { worker: y.worker, spot: y.spot, start: ms(y.start) } : null,
      },
    ];
  });
  const ready = (of: Board, i: number): number | null => {
    const finish = i < 0 ? null : finishOf(of, i);
    return finish === null ? null : ms(finish);
  };
  const jobs = other.work.jobs.flatMap((j, i): MovedJob[] => {
    const k = b.work.jobs.findIndex((o) => o.id === j.id);
    const row = {
      number: j.number,
      title: j.title,
      wasReady: ready(b, k),
      isReady: ready(other, i),
      was: was[k]?.inTime ?? null,
      is: is[i]?.inTime ?? null,
    };
    const same =
      k >= 0 &&
      Math.abs((row.is ?? 0) - (row.was ?? 0)) < NOTABLE &&
      Math.abs((row.isReady ?? 0) - (row.wasReady ?? 0)) <= SAME_MINUTES * MINUTE;
    return same || j.steps.length === 0 ? [] : [row];
  });
  return { moved, jobs };
}

/** A rush job's number while it is only tried. */
const TRIED_JOB = -1;

/** A job of a few hours that has to be ready on a day. */
function rushJob({ from, shop }: KeptPlan, asked: Extract<WeekTry, { kind: 'rush' }>): PlannedJob {
  const step = (id: string, title: string, likely: number, after: readonly string[]) => ({
    id,
    title,
    minutes: { low: likely * 0.7, likely, high: likely * 1.6 },
    spent: 0,
    wait: 0,
    holds: false,
    after,
    skill: asked.skill,
    place: 'bench',
    cut: true,
    only: null,
    pin: null,
    running: false,
    waits: null,
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
    case 'better':
      return work;
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

/** Tries something beside the plan that holds; nothing is changed by it. */
export async function tryWeek(
  db: Database,
  asked: WeekTry,
  now: Date = new Date(),
  signal?: AbortSignal,
): Promise<TriedWeek> {
  const plan = await currentPlan(db, now);
  const { board } = plan;
  const until = performance.now() + BETTER_MS;
  if (asked.kind === 'better') {
    const better = copyBoard(board);
    const more = (n: number): boolean => n < BETTER_TRIES && performance.now() < until;
    await inSlices(improving(better, { seed: SEED, more }), signal);
    const cost = costOf(better);
    const least = await inSlices(bounding(board.work, cost), signal);
    return { ...difference(plan, better), gap: cost > 0 ? (cost - least) / cost : 0 };
  }
  const work = { ...workWith(plan, asked), before: standing(board) };
  const ahead = asked.kind === 'rush' ? [work.jobs.length - 1] : [];
  const other = replan(newBoard(work), ahead);
  const more = (n: number): boolean => n < OTHER_TRIES && performance.now() < until;
  await inSlices(improving(other, { seed: SEED, more }), signal);
  return { ...difference(plan, other), gap: null };
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
    moved: t.remedy.kind === 'first' || t.remedy.kind === 'longer' ? difference(plan, t.board).moved : null,
    longer: longerOf(t.remedy, plan),
  }));
}
