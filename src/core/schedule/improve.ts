import { toEnd } from '../to-end.ts';
import { jobAlone } from './alone.ts';
import { mayBegin, newBoard, seat, unseat, type Board, type BoardStep, type Seat } from './board.ts';
import { costOf, costOfJob, costWhenReady } from './cost.ts';
import {
  bestSeat,
  fixedSteps,
  liftJob,
  OTHER_HAND,
  placeJob,
  replaceAsBefore,
  type OtherSeats,
} from './place.ts';
import { anyWeighing, insertJob, worthBySkill } from './insert.ts';
import { MANY_JOBS, ordering, type Progress } from './in-order.ts';
import { searchingRow } from './row-search.ts';
import { skillPrices } from './skill-price.ts';
import { seeded } from '../seeded.ts';

export interface Search {
  readonly seed: number;
  /** asked before each try with how many were made, or what took as long as so many: whether to go on */
  readonly more: (effort: number) => boolean;
}

/** For who has the time, and wants the best there is: the whole plan is also made anew, where there are many jobs, and looked at as a row. */
export interface LongSearch {
  readonly seed: number;
  /** asked before each try with how many were made, or what took as long as so many: how much of the time is over, 0 to 1; at 1 it ends */
  readonly passed: (effort: number) => number;
}

/**
 * So much worse than the best a plan may become on the way to a better one, as a part of what a job costs on average beyond what it
 * would cost alone; less and less, and again from the beginning after so many tries.
 */
const DETOUR = 0.3;
const CYCLE = 2000;
/** How often, and by how much, a seat that is not the soonest is tried. */
const OTHER_SEAT = 0.15;
const OTHER_SEAT_MINUTES = 1440;
/** How often a job is wished into one pair of hands, so that it can wait for somebody who is not free first. */
const WISHED = 0.1;
/** How often jobs come back step by step, not each as a whole. */
const STEP_BY_STEP = 0.3;
/** How often each comes back where it costs the least, not where it is done soonest. */
const INSERTED = 0.6;
/** By how much a job is held back then at most. */
const LATER_MINUTES = 4 * 1440;
/** How often jobs are taken off that need not stand in each other's way: the more often, the fewer there are. */
const ANY_AT_ALL = 4;
const WINDOW = 2 * 1440;
const MOST_AT_ONCE = 10;
/** Other hands are worth little where a date presses, hours where none does, and days to a step that nothing waits for: minutes. */
const OTHER_HANDS = [OTHER_HAND, OTHER_HAND, 120, 480, 1440, 7200] as const;

/** Of the time there is, until when the plan is made anew or taken apart, and until when it is looked at as a row; the rest is as at first. */
const MANY_SHARES = [0.3, 0.98] as const;
const FEW_SHARES = [0.6, 0.75] as const;

/**
 * A plan made anew is gone on with where it costs so much less, as a part; else what there was comes out better once its steps are
 * moved.
 */
const ANEW = 0.025;

function shuffle(all: number[], next: () => number): number[] {
  for (let i = all.length - 1; i > 0; i--) {
    const k = Math.floor(next() * (i + 1));
    [all[i], all[k]] = [all[k] as number, all[i] as number];
  }
  return all;
}

/** Jobs that stand in each other's way: some that share hands or places with one, about the same time. */
function neighbours(
  b: Board,
  job: number,
  most: number,
  next: () => number,
  movable: ReadonlySet<number>,
): number[] {
  const own = (b.ofJob[job] ?? []).flatMap((at) => b.seats[at] ?? []);
  const close = new Set<number>();
  for (const step of b.steps) {
    const s = b.seats[step.at];
    if (!s || step.job === job || !movable.has(step.job) || close.has(step.job)) continue;
    const near = own.some(
      (o) =>
        (o.worker === s.worker || (o.spot >= 0 && o.spot === s.spot)) &&
        s.start < o.end + WINDOW / 4 &&
        s.end > o.start - WINDOW,
    );
    if (near) close.add(step.job);
  }
  return shuffle([...close], next).slice(0, most);
}

/** A job to begin with: the dearer one is than it would have to be, the more often. */
function pickJob(costs: readonly number[], movable: readonly number[], next: () => number): number {
  if (next() < 0.4) return movable[Math.floor(next() * movable.length)] ?? 0;
  const sum = movable.reduce((all, j) => all + (costs[j] ?? 0), 0);
  let left = next() * sum;
  for (const j of movable) {
    left -= costs[j] ?? 0;
    if (left <= 0) return j;
  }
  return movable.at(-1) ?? 0;
}

/** In which order those taken off come back: by their date, by what they cost, or any. */
function shuffled(b: Board, jobs: readonly number[], costs: readonly number[], next: () => number): number[] {
  const how = next();
  const noise = new Map(jobs.map((j) => [j, next()]));
  const key = (j: number): number => {
    if (how < 0.5) return noise.get(j) ?? 0;
    if (how < 0.7) return -(costs[j] ?? 0) * (0.5 + (noise.get(j) ?? 0));
    const { due = null, hard = false } = b.work.jobs[j] ?? {};
    return ((due ?? 1e6) - (hard ? 5000 : 0)) * (0.8 + 0.4 * (noise.get(j) ?? 0));
  };
  return [...jobs].sort((x, y) => key(x) - key(y));
}

/**
 * Puts jobs back step by step, whichever can begin soonest, some jobs held back by a while: what one waits for lets others go first, and
 * they need not come before it or after it as a whole.
 */
function placeStepByStep(b: Board, jobs: readonly number[], others: OtherSeats, next: () => number): void {
  const most = next() * LATER_MINUTES;
  const later = new Map(jobs.map((job) => [job, most * next()]));
  const open = new Set(jobs.flatMap((job) => b.ofJob[job] ?? []).filter((at) => !b.seats[at]));
  for (;;) {
    let soonest: BoardStep | null = null;
    let least = Infinity;
    for (const at of open) {
      const own = b.steps[at] as BoardStep;
      if (own.after.some((i) => !b.seats[i])) continue;
      const begins = mayBegin(b, own) + (later.get(own.job) ?? 0);
      if (begins < least) [least, soonest] = [begins, own];
    }
    if (!soonest) return;
    open.delete(soonest.at);
    const found = bestSeat(b, soonest, others);
    if (found) seat(b, soonest.at, found);
  }
}

/** How far a search is: how many tries were made, and what the best plan of them costs. */
export interface SearchProgress {
  readonly tries: number;
  readonly least: number;
}

/** Puts a whole plan on a board in the place of what stands there. */
function stand(b: Board, seats: readonly (Seat | null)[]): void {
  for (const { at } of b.steps) unseat(b, at);
  seats.forEach((s, at) => s && seat(b, at, s));
}

/** What jobs cost on average beyond what each would cost alone in the shop, and that. */
function usualOf(b: Board): { readonly usual: number; readonly floor: readonly number[] } {
  const empty = newBoard(b.work);
  const floor = b.ofJob.map((own, job) =>
    own.length === 0 ? 0 : costWhenReady(b, job, jobAlone(empty, job).finish),
  );
  const above = b.ofJob.reduce((sum, _, job) => sum + Math.max(0, costOfJob(b, job) - (floor[job] ?? 0)), 0);
  return { usual: above / Math.max(1, b.ofJob.filter((own) => own.length > 0).length), floor };
}

/** Makes the whole plan anew where there are many jobs, and then moves steps about in the row that it is. */
function* fromAnew(b: Board, { seed, passed }: LongSearch, found: Progress): Generator<SearchProgress, void> {
  const isMany = b.ofJob.filter((own) => own.length > 0).length >= MANY_JOBS;
  const [first, then] = isMany ? MANY_SHARES : FEW_SHARES;
  const more = (effort: number): boolean => passed(effort) < first;
  const asItWas = { seats: [...b.seats], cost: found.least };
  yield* isMany ? ordering(b, seeded(seed), found, more) : search(b, { seed, more }, found);
  const isFar = !isMany || found.least < (1 - ANEW) * asItWas.cost;
  stand(b, isFar ? found.best : asItWas.seats);
  const from = Math.min(passed(found.effort), first);
  const part = (effort: number): number => Math.min(1, (passed(effort) - from) / (then - from));
  yield* searchingRow(b, usualOf(b).usual, seeded(seed), found, part);
  stand(b, found.best);
}

/** The same as `improve`, try by try: whoever runs it may let others go on between two, or end it, and the best one found stands. */
export function* improving(b: Board, by: Search | LongSearch): Generator<SearchProgress, number> {
  const found: Progress = { best: [...b.seats], tries: 0, effort: 0, least: costOf(b) };
  try {
    if ('passed' in by) {
      yield* fromAnew(b, by, found);
      yield* search(b, { seed: by.seed, more: (effort) => by.passed(effort) < 1 }, found);
    } else yield* search(b, by, found);
  } finally {
    stand(b, found.best);
  }
  return found.tries;
}

/**
 * Makes a plan better for as long as it may: some jobs that stand in each other's way are taken off and come back in another
 * order; what comes out worse is put back. The board holds a whole plan at every moment, in the end the best one found.
 * @returns how many tries were made
 */
export function improve(b: Board, by: Search | LongSearch): number {
  return toEnd(improving(b, by));
}

/** The search itself: what it found best so far, and after how many tries. */
function* search(b: Board, { seed, more }: Search, found: Progress): Generator<SearchProgress, void> {
  const next = seeded(seed);
  // What has no place yet stands nowhere that it could stay.
  const fixed = fixedSteps(b).map((is, at) => is && b.seats[at] !== null);
  const movable = b.ofJob.flatMap((own, job) => (own.some((at) => !fixed[at]) ? [job] : []));
  const isMovable = new Set(movable);
  const costs = b.ofJob.map((_, job) => costOfJob(b, job));
  const { floor } = usualOf(b);
  const above = costs.map((c, job) => Math.max(0, c - (floor[job] ?? 0)));
  let now = costs.reduce((sum, c) => sum + c, 0);
  const detour = (DETOUR * above.reduce((sum, c) => sum + c, 0)) / Math.max(1, movable.length);
  const jitter = (): number => (next() < OTHER_SEAT ? next() * OTHER_SEAT_MINUTES : 0);
  if (movable.length === 0) return;
  const worth = worthBySkill(b, skillPrices(b));
  const anyAtAll = Math.min(0.5, ANY_AT_ALL / movable.length);
  for (; more(found.effort); found.tries++, found.effort++) {
    const { tries } = found;
    yield found;
    const first = pickJob(above, movable, next);
    const most = 1 + Math.floor(next() * Math.min(MOST_AT_ONCE, movable.length));
    const taken =
      next() < anyAtAll
        ? shuffle([...movable], next).slice(0, most)
        : [first, ...neighbours(b, first, most, next, isMovable)];
    const before = taken.map((job) => (b.ofJob[job] ?? []).map((at) => [at, b.seats[at] ?? null] as const));
    const was = taken.reduce((sum, job) => sum + (costs[job] ?? 0), 0);
    for (const job of taken) liftJob(b, job, fixed);
    const otherHand = OTHER_HANDS[Math.floor(next() * OTHER_HANDS.length)] ?? OTHER_HAND;
    const order = shuffled(b, taken, above, next);
    const weighed = next() < INSERTED ? anyWeighing(worth, next) : null;
    if (next() < STEP_BY_STEP) placeStepByStep(b, order, { jitter, otherHand }, next);
    for (const job of order) {
      if (next() < 0.3) replaceAsBefore(b, job);
      const wished = next() < WISHED ? { wished: Math.floor(next() * b.work.workers.length) } : {};
      if (!weighed || !insertJob(b, job, weighed)) placeJob(b, job, { jitter, otherHand, ...wished });
    }
    const made = taken.map((job) => costOfJob(b, job));
    const change = made.reduce((sum, c) => sum + c, 0) - was;
    if (change < -1e-9 || now + change <= found.least + detour * (1 - (tries % CYCLE) / CYCLE) + 1e-9) {
      taken.forEach((job, i) => {
        costs[job] = made[i] ?? 0;
        above[job] = Math.max(0, (made[i] ?? 0) - (floor[job] ?? 0));
      });
      now += change;
      if (now < found.least - 1e-9) {
        found.least = now;
        found.best = [...b.seats];
      }
      continue;
    }
    for (const job of taken) liftJob(b, job, fixed);
    for (const [at, s] of before.flat()) if (s && !b.seats[at]) seat(b, at, s);
  }
}
