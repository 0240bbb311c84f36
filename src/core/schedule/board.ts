import {
  beginAfter,
  calendarOf,
  endAfter,
  longestStretch,
  stretchEnd,
  workedBefore,
  type Calendar,
} from './calendar.ts';
import { copyGaps, firstFit, gapAt, give, isFree, oneGap, take, type Gaps } from './gaps.ts';
import type { PlannedJob, ShopWork, Step, WeekPlan } from './shop-work.ts';

/** Plans count in steps of so many minutes. */
export const GRAIN = 5;

/** A step with what it asks for as indices into the board's lists. */
export interface BoardStep {
  readonly at: number;
  readonly job: number;
  readonly step: Step;
  readonly minutes: number;
  readonly after: readonly number[];
  /** who may do it */
  readonly who: readonly number[];
  /** the places it may be done at; null: it needs none */
  readonly where: readonly number[] | null;
  readonly earliest: number;
  /** it must lie in one stretch of somebody's time */
  readonly whole: boolean;
}

/** Where a step stands. Moments; `worked` is its beginning in its worker's own working minutes. */
export interface Seat {
  readonly worker: number;
  readonly spot: number;
  readonly start: number;
  readonly end: number;
  /** until when its place is taken */
  readonly hold: number;
  /** when the instrument has rested */
  readonly free: number;
  readonly worked: number;
}

/** A plan in the making: what is free of everybody and everything, and where each step stands. */
export interface Board {
  readonly work: ShopWork;
  readonly steps: readonly BoardStep[];
  /** the steps of each job, in their order */
  readonly ofJob: readonly (readonly number[])[];
  readonly calendars: readonly Calendar[];
  readonly people: Gaps[];
  /** when anybody works */
  readonly anybody: Calendar;
  /** in minutes in which anybody works: a night between two steps is no time at which a place could be used */
  readonly spots: Gaps[];
  readonly seats: (Seat | null)[];
}

const grained = (minutes: number): number => Math.max(GRAIN, Math.ceil(minutes / GRAIN) * GRAIN);

function boardStep(work: ShopWork, job: number, step: Step, at: number, index: ReadonlyMap<string, number>) {
  const minutes = grained(step.minutes.likely);
  const may = work.workers.flatMap((w, i) =>
    (step.only === null ? w.skill >= step.skill : step.only.includes(w.id)) ? [i] : [],
  );
  const places = work.spots.flatMap((s, i) => (s.kind === step.place ? [i] : []));
  const found: BoardStep = {
    at,
    job,
    step,
    minutes,
    after: step.after.flatMap((id) => index.get(id) ?? []),
    who: may,
    where: step.place === null || places.length === 0 ? null : places,
    earliest: Math.max(0, step.waits ? Math.ceil(step.waits.until.likely) : 0),
    whole:
      !step.cut &&
      may.some((i) => longestStretch((work.workers[i] as { calendar: Calendar }).calendar) >= minutes),
  };
  return found;
}

/** A job's steps so that none stands before one it needs; as they came otherwise. */
function inOrder(job: PlannedJob): Step[] {
  const left = [...job.steps];
  const done: Step[] = [];
  while (left.length > 0) {
    const free = left.findIndex((s) => !left.some((o) => o !== s && s.after.includes(o.id)));
    done.push(...left.splice(Math.max(0, free), 1));
  }
  return done;
}

/** An empty board for a shop's work. */
export function newBoard(work: ShopWork): Board {
  const ordered = work.jobs.map(inOrder);
  const index = new Map(ordered.flat().map((s, i) => [s.id, i]));
  const steps: BoardStep[] = [];
  const ofJob = ordered.map((own, job) =>
    own.map((step) => {
      steps.push(boardStep(work, job, step, steps.length, index));
      return steps.length - 1;
    }),
  );
  const calendars = work.workers.map((w) => w.calendar);
  const anybody = calendarOf(
    calendars.flatMap((c) => c.from.map((from, i) => ({ from, to: c.to[i] ?? from }))),
  );
  const spots = work.spots.map((s) => {
    const gaps = oneGap(Infinity);
    // Stretches that overlap are one.
    const out = calendarOf(s.out);
    for (const [i, o] of out.from.entries()) {
      const [from, to] = [workedBefore(anybody, o), workedBefore(anybody, out.to[i] ?? o)];
      if (to > from) take(gaps, from, to);
    }
    return gaps;
  });
  return {
    work,
    steps,
    ofJob,
    calendars,
    people: calendars.map((c) => oneGap(c.total)),
    anybody,
    spots,
    seats: steps.map(() => null),
  };
}

/** The same board, to try something on. */
export const copyBoard = (b: Board): Board => ({
  ...b,
  people: b.people.map(copyGaps),
  spots: b.spots.map(copyGaps),
  seats: [...b.seats],
});

/** Puts a step on a seat that is free. */
export function seat(b: Board, at: number, s: Seat): void {
  take(b.people[s.worker] as Gaps, s.worked, s.worked + (b.steps[at] as BoardStep).minutes);
  if (s.spot >= 0)
    take(b.spots[s.spot] as Gaps, workedBefore(b.anybody, s.start), workedBefore(b.anybody, s.hold));
  b.seats[at] = s;
}

/** Takes a step off its seat, if it has one. */
export function unseat(b: Board, at: number): void {
  const s = b.seats[at];
  if (!s) return;
  give(b.people[s.worker] as Gaps, s.worked, s.worked + (b.steps[at] as BoardStep).minutes);
  if (s.spot >= 0)
    give(b.spots[s.spot] as Gaps, workedBefore(b.anybody, s.start), workedBefore(b.anybody, s.hold));
  b.seats[at] = null;
}

/** The first working minute from one on at which so much is free, in one stretch where it must be. */
function firstWork(gaps: Gaps, c: Calendar, from: number, minutes: number, whole: boolean): number {
  for (let worked = from; ;) {
    const at = firstFit(gaps, worked, minutes);
    if (!whole || at === Infinity) return at;
    const end = stretchEnd(c, at);
    if (at + minutes <= end) return at;
    worked = end;
  }
}

/** Whether a place is free between two moments. */
export const isSpotFree = (b: Board, spot: number, from: number, to: number): boolean =>
  isFree(b.spots[spot] as Gaps, workedBefore(b.anybody, from), workedBefore(b.anybody, to));

/** The first moment after one at which a place may be free for so many minutes of hands; Infinity where it never is. */
export function spotFrom(b: Board, spot: number, after: number, minutes: number): number {
  const gaps = b.spots[spot] as Gaps;
  const at = workedBefore(b.anybody, after);
  const fits = firstFit(gaps, at, minutes);
  const next = fits > at ? fits : firstFit(gaps, gaps.to[gapAt(gaps, at)] ?? Infinity, minutes);
  return beginAfter(b.anybody, next);
}

/** When the instrument is free for a step again after what stands in its way; the moment itself where nothing does. */
function jobFree(b: Board, own: BoardStep, start: number, free: number): number {
  let at = start;
  for (const other of b.ofJob[own.job] ?? []) {
    const o = other === own.at ? null : b.seats[other];
    if (o && o.start < free && start < o.free) at = Math.max(at, o.free);
  }
  return at;
}

/** The earliest seat of a step from a moment on with one worker at one place (−1: none), or null. */
export function earliestSeat(
  b: Board,
  own: BoardStep,
  from: number,
  worker: number,
  spot: number,
): Seat | null {
  const calendar = b.calendars[worker] as Calendar;
  const gaps = b.people[worker] as Gaps;
  const { wait, holds } = own.step;
  for (let at = from; at < Infinity;) {
    const worked = firstWork(gaps, calendar, workedBefore(calendar, at), own.minutes, own.whole);
    if (worked === Infinity) return null;
    const start = beginAfter(calendar, worked);
    const end = endAfter(calendar, worked + own.minutes);
    const free = end + wait;
    const hold = holds ? free : end;
    if (spot >= 0 && !isSpotFree(b, spot, start, hold)) at = spotFrom(b, spot, start, own.minutes);
    else {
      const next = jobFree(b, own, start, free);
      if (next === start) return { worker, spot, start, end, hold, free, worked };
      at = next;
    }
  }
  return null;
}

/** What stands before a step: from when on it may begin. */
export function mayBegin(b: Board, own: BoardStep): number {
  let at = Math.max(own.earliest, own.step.pin ?? 0);
  for (const i of own.after) at = Math.max(at, b.seats[i]?.free ?? 0);
  return at;
}

/** Why a step found no place, in words. */
export function whyUnplaced({ who, step }: BoardStep): string {
  if (who.length > 0) return 'there is no time for it in the hours that are known';
  return step.only === null ? 'nobody here may do it' : 'who was chosen for it does not work here';
}

/** The plan a board holds. */
export function planOf(b: Board, cost: number): WeekPlan {
  const { work } = b;
  return {
    steps: b.steps.flatMap((s) => {
      const place = b.seats[s.at];
      if (!place) return [];
      return [
        {
          step: s.step.id,
          job: work.jobs[s.job]?.id ?? 0,
          worker: work.workers[place.worker]?.id ?? 0,
          spot: work.spots[place.spot]?.id ?? null,
          start: place.start,
          end: place.end,
          free: place.free,
        },
      ];
    }),
    unplaced: b.steps.flatMap((s) =>
      b.seats[s.at]
        ? []
        : [
            {
              step: s.step.id,
              job: work.jobs[s.job]?.id ?? 0,
              why: whyUnplaced(s),
            },
          ],
    ),
    cost,
  };
}
