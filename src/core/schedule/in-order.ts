/** Whole plans made anew, job by job in an order: what stands behind something that moves up moves up with it. */
import { copyBoard, newBoard, seat, type Board, type Seat } from './board.ts';
import { cellFrom, type BoundTime } from './bound-time.ts';
import { costOf, finishOf } from './cost.ts';
import { insertJob, type Weighing, type Worth } from './insert.ts';
import { fixedSteps, frameOf, placeJob } from './place.ts';
import type { Prices } from './price-search.ts';
import { relaxing, type Look, type Relaxed } from './relaxation.ts';

/** With fewer jobs than this, taking off some at a time comes as far. */
export const MANY_JOBS = 40;
/** Roughly enough for an order. */
const ROUGHLY: Look = { cells: 100, together: 1e6, looks: 2400, rounds: [8, 60] };
/** In tries of taking off some jobs: what looking at a piece of the work at a price takes, and putting a job back. */
const TRIES_A_LOOK = 10;
const TRIES_A_JOB = 1 / 6;
/** At first each plan mends what the one before made late, until so many have brought nothing. */
const MENDING = 8;
/** Plans without one that is better after which other orders are given up. */
const IN_VAIN = 10;
/** How many jobs change their place in the order from one plan to the next, by how much at most, and how many by far more; minutes. */
const CHANGED = 0.08;
const BY_MINUTES = 300;
const FAR = 0.2;
const TIMES_AS_FAR = 5;
/** How often one that is late is moved up further, when not all are. */
const MOVED_UP = 0.4;
/** By how much of what it is late a job is moved up, and one whose date stands besides, minutes. */
const UP = 0.5;
const UP_HARD = 1.2;
const UP_HARD_MINUTES = 600;
/** What comes before something that stands finds a place in time where it is asked for so much earlier: times its minutes, and a day. */
const ROOM = 3;
const ROOM_MINUTES = 1440;
const PARTS = [0, 0.25, 0.5, 0.75, 1] as const;
const LEVELS = [0, 0.003, 0.01] as const;

/** In which order jobs are given their places, each by a moment it stands for, and how much others’ hands are worth then. */
interface Order {
  readonly moments: ReadonlyMap<number, number>;
  readonly part: number;
  readonly level: number;
}

interface Made {
  readonly board: Board;
  readonly cost: number;
  readonly order: Order;
  /** by how much jobs are later than their dates, minutes */
  readonly late: ReadonlyMap<number, number>;
}

/** What a minute of a worker’s costs in the middle of where a step would stand. */
const worthAt =
  (t: BoundTime, prices: Prices): Worth =>
  (worker, _step, { start, end }) => {
    const cell = Math.min(t.from.length - 2, cellFrom(t, (start + end) / 2));
    return prices[worker]?.[cell] ?? 0;
  };

function lateOf(b: Board, jobs: Iterable<number>): Map<number, number> {
  const late = new Map<number, number>();
  for (const job of jobs) {
    const { due = null } = b.work.jobs[job] ?? {};
    const over = due === null ? 0 : (finishOf(b, job) ?? due) - due;
    if (over > 0) late.set(job, over);
  }
  return late;
}

/** What stands whatever the order: what runs, and what somebody put somewhere. */
interface Frame {
  /** a board without seats */
  readonly empty: Board;
  /** by step: where what stands does, and what it needs, done as soon as it can be; null for all others */
  readonly seats: readonly (Seat | null)[];
  /** by step: whether it stands itself, not only what comes after it */
  readonly stands: readonly boolean[];
  /** jobs of which something stands, and whether what it needs was found to have no time unless it comes first */
  readonly needsFirst: Map<number, boolean>;
}

function frameFor(b: Board): Frame {
  const empty = newBoard(b.work);
  const { seats, steps } = frameOf(empty);
  const fixed = fixedSteps(b);
  const stands = steps.map(({ at, step }) => seats[at] !== null && (step.running || step.pin !== null));
  const jobs = new Set(steps.filter(({ at }) => stands[at]).map(({ job }) => job));
  return {
    empty,
    seats: seats.map((s, at) => (fixed[at] ? s : null)),
    stands,
    needsFirst: new Map([...jobs].map((job) => [job, false])),
  };
}

/** Whether what stands of a job has all it needs before it. */
const holds = (b: Board, job: number, { stands }: Frame): boolean =>
  (b.ofJob[job] ?? []).every(
    (at) =>
      !stands[at] ||
      (b.steps[at]?.after ?? []).every((i) => (b.seats[i]?.free ?? Infinity) <= (b.seats[at]?.start ?? 0)),
  );

/** When what comes before something of a job that stands has to be done, with room to spare; Infinity: nothing of it does. */
function neededBy(b: Board, job: number, { seats, stands }: Frame): number {
  const own = b.ofJob[job] ?? [];
  const first = Math.min(...own.map((at) => (stands[at] ? (seats[at]?.start ?? 0) : Infinity)));
  const before = own.flatMap((at) => (!stands[at] && seats[at] ? (b.steps[at] ?? []) : []));
  return first - before.reduce((sum, { minutes, step }) => sum + ROOM * minutes + step.wait, ROOM_MINUTES);
}

/** Puts jobs on a board in their order; the job of which something stands that could not have what it needs, or null. */
function putInOrder(b: Board, jobs: readonly number[], frame: Frame, by: Weighing): number | null {
  b.steps.forEach(({ at, job }) => {
    const s = frame.seats[at];
    if (s && (frame.stands[at] || frame.needsFirst.get(job) === true)) seat(b, at, s);
  });
  for (const job of jobs) {
    if (!frame.needsFirst.has(job)) {
      if (!insertJob(b, job, by)) placeJob(b, job);
    } else {
      placeJob(b, job);
      if (frame.needsFirst.get(job) === false && !holds(b, job, frame)) return job;
    }
  }
  return null;
}

/** The plan of an order. What somebody put somewhere stands there; what it needs comes in its order, or first where it must. */
function make(b: Board, worth: Worth, order: Order, frame: Frame): Made {
  const { moments, part, level } = order;
  const jobs = [...moments.keys()].sort((x, y) => (moments.get(x) ?? 0) - (moments.get(y) ?? 0) || x - y);
  for (;;) {
    const board = copyBoard(frame.empty);
    const failed = putInOrder(board, jobs, frame, { worth, part, level });
    if (failed === null) return { board, cost: costOf(board), order, late: lateOf(board, jobs) };
    frame.needsFirst.set(failed, true);
  }
}

/** How much further up a job goes that was late. */
function movedUp(
  b: Board,
  job: number,
  moment: number,
  late: number,
  how: readonly [number, number],
): number {
  const { due = null, hard = false } = b.work.jobs[job] ?? {};
  const by = how[0] * late * (hard ? UP_HARD : UP) + (hard ? how[1] * UP_HARD_MINUTES : 0);
  return Math.min(moment, due ?? moment) - by;
}

/** All that was late is moved up. */
function mended(b: Board, { order, late }: Made): Order {
  const moments = new Map(order.moments);
  for (const [job, over] of late) moments.set(job, movedUp(b, job, moments.get(job) ?? 0, over, [1, 1]));
  return { ...order, moments };
}

/** Another order near one: some that were late further up, some any way. */
function near(b: Board, { order, late }: Made, next: () => number): Order {
  const moments = new Map(order.moments);
  for (const [job, moment] of order.moments) {
    const over = late.get(job) ?? 0;
    if (over > 0 && next() < MOVED_UP) moments.set(job, movedUp(b, job, moment, over, [2 * next(), next()]));
    else if (next() < CHANGED)
      moments.set(job, moment + (next() - 0.5) * BY_MINUTES * 2 * (next() < FAR ? TIMES_AS_FAR : 1));
  }
  if (next() < 0.5) return { ...order, moments };
  const one = (of: readonly number[], fallback: number): number =>
    of[Math.floor(next() * of.length)] ?? fallback;
  return { moments, part: one(PARTS, order.part), level: one(LEVELS, order.level) };
}

/** How far it is. */
export interface Progress {
  /** how many plans were made */
  tries: number;
  /** what that took, in tries of taking off some jobs */
  effort: number;
  /** what the best plan costs, and where its steps stand */
  least: number;
  best: readonly (Seat | null)[];
}

/** What hands cost if all is asked for at once, and when jobs would be done then; null where the time was over before. */
function* looking(
  b: Board,
  found: Progress,
  more: (effort: number) => boolean,
): Generator<Progress, Relaxed | null> {
  const look = relaxing(newBoard(b.work), found.least, ROUGHLY);
  for (let step = look.next(); ; step = look.next()) {
    if (step.done) return step.value;
    found.effort += TRIES_A_LOOK;
    if (!more(found.effort)) return null;
    yield found;
  }
}

/**
 * Makes whole plans, in the order in which jobs would be done if hands and places could be had at a price; then mends what was late, then
 * tries orders near the best. The board is left as it is.
 * @param found is told how far it is and the best plan; it comes with the one there is
 * @param more asked with what it took so far: whether to go on
 */
export function* ordering(
  b: Board,
  next: () => number,
  found: Progress,
  more: (effort: number) => boolean,
): Generator<Progress, void> {
  const relaxed = yield* looking(b, found, more);
  if (!relaxed) return;
  const worth = worthAt(relaxed.t, relaxed.prices);
  const latest = relaxed.t.from.at(-1) ?? 0;
  const frame = frameFor(b);
  const open = b.ofJob.flatMap((own, job) => (own.length > 0 ? [job] : []));
  const moments = new Map(
    open.map((job) => [job, Math.min(relaxed.ends.get(job) ?? latest, neededBy(b, job, frame))]),
  );
  let best: Made | null = null;
  let order: Order = { moments, part: 0.5, level: 0.003 };
  let mending = true;
  for (let vain = 0; vain < IN_VAIN && more(found.effort);) {
    const made = make(b, worth, order, frame);
    found.tries++;
    found.effort += Math.ceil(TRIES_A_JOB * moments.size);
    vain++;
    if (!best || made.cost < best.cost - 1e-9) [best, vain] = [made, 0];
    if (best.cost < found.least - 1e-9) {
      found.least = best.cost;
      found.best = [...best.board.seats];
    }
    mending &&= vain < MENDING && made.late.size > 0;
    order = mending ? mended(b, made) : near(b, best, next);
    yield found;
  }
}
