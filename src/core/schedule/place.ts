import { jobAlone } from './alone.ts';
import { beginAfter, workedBefore } from './calendar.ts';
import {
  copyBoard,
  earliestSeat,
  mayBegin,
  seat,
  unseat,
  type Board,
  type BoardStep,
  type Seat,
} from './board.ts';
import { byWorth, dueOf, POWERS, PRESSES, PRESSES_FIRST, workOf } from './by-worth.ts';
import { costOf, costOfJob, costWhenReady } from './cost.ts';
import { insertJob, weighings, worthBySkill } from './insert.ts';
import { queuesOf, takesOf } from './scarce.ts';
import { skillPrices } from './skill-price.ts';

/** What a worse hand costs when seats are compared, minutes: another one than before, more skilled than needed. */
export const OTHER_HAND = 25;
const TOO_SKILLED = 10;
const AS_BEFORE = 20;

const lastHand = (b: Board, own: BoardStep): number => {
  let found = b.work.workers.findIndex((w) => w.id === b.work.jobs[own.job]?.holder);
  let at = -1;
  for (const i of b.ofJob[own.job] ?? []) {
    const s = b.seats[i];
    if (s && i !== own.at && s.start > at) {
      at = s.start;
      found = s.worker;
    }
  }
  return found;
};

/** How a search tries other seats than the soonest. */
export interface OtherSeats {
  /** minutes by which a seat seems later than it is */
  readonly jitter: () => number;
  /** minutes that other hands are worth */
  readonly otherHand: number;
  /** whose hands the whole job is wished into, whoever had it before; none: those it is in */
  readonly wished?: number;
}

/** The soonest seats. */
const SOONEST: OtherSeats = { jitter: () => 0, otherHand: OTHER_HAND };

/** The best seat of a step as the board stands: soonest done, in the hands it is in, by nobody who is needed for harder things. */
export function bestSeat(b: Board, own: BoardStep, others: OtherSeats = SOONEST): Seat | null {
  const { jitter, otherHand, wished } = others;
  const from = mayBegin(b, own);
  const hand = wished ?? lastHand(b, own);
  const before = b.work.before[own.step.id];
  let best: Seat | null = null;
  let least = Infinity;
  for (const worker of own.who) {
    const { id = -1, skill = 0 } = b.work.workers[worker] ?? {};
    const cost =
      (hand >= 0 && hand !== worker ? otherHand : 0) +
      TOO_SKILLED * Math.max(0, skill - own.step.skill) +
      (before && before.worker !== id ? AS_BEFORE : 0);
    for (const spot of own.where ?? [-1]) {
      const found = earliestSeat(b, own, from, worker, spot);
      if (!found) continue;
      const dear = found.end + cost + jitter();
      if (dear >= least) continue;
      least = dear;
      best = found;
    }
  }
  return best;
}

/** Puts all steps of a job that have no seat on their best ones, in their order; or only some of them. */
export function placeJob(
  b: Board,
  job: number,
  others: OtherSeats = SOONEST,
  only: (at: number) => boolean = () => true,
): void {
  for (const at of b.ofJob[job] ?? []) {
    const own = b.steps[at] as BoardStep;
    if (b.seats[at] || !only(at)) continue;
    // What comes after a step without a place has none either.
    if (own.after.some((i) => !b.seats[i])) continue;
    const found = bestSeat(b, own, others);
    if (found) seat(b, at, found);
  }
}

/** Takes a job off the board but for what is fixed of it. */
export function liftJob(b: Board, job: number, fixed: readonly boolean[]): void {
  for (const at of b.ofJob[job] ?? []) if (!fixed[at]) unseat(b, at);
}

/** Puts what runs on the board: now, in the hands it is in. */
function placeRunning(b: Board): void {
  for (const own of b.steps) {
    const worker = own.who[0];
    if (!own.step.running || worker === undefined || b.seats[own.at]) continue;
    const found = (own.where ?? [-1]).reduce<Seat | null>((best, spot) => {
      const s = earliestSeat(b, own, 0, worker, spot);
      return s && (!best || s.start < best.start) ? s : best;
    }, null);
    if (found) seat(b, own.at, found);
  }
}

/** Of each step whether it runs, somebody put it somewhere, or one such comes after it: those are placed before all others and stay. */
export function fixedSteps(b: Board): boolean[] {
  const fixed = b.steps.map(() => false);
  const fix = (at: number): void => {
    if (fixed[at]) return;
    fixed[at] = true;
    b.steps[at]?.after.forEach(fix);
  };
  for (const { at, step } of b.steps) if (step.running || step.pin !== null) fix(at);
  return fixed;
}

type Rule = (b: Board, job: number) => number;

/** In which order jobs are given their places. Smaller comes first. */
export const RULES: readonly Rule[] = [
  // Dates that stand first, then the soonest.
  (b, job) => Math.min(1e9, dueOf(b, job)) - (b.work.jobs[job]?.hard ? 1e10 : 0),
  // The least time to spare.
  (b, job) => Math.min(1e9, dueOf(b, job)) - workOf(b, job),
  // The shortest.
  (b, job) => workOf(b, job),
  // As they stood before.
  (b, job) =>
    Math.min(...(b.ofJob[job] ?? []).map((at) => b.work.before[b.steps[at]?.step.id ?? '']?.start ?? 1e9)),
];

const sortedBy = (b: Board, jobs: readonly number[], rule: Rule): number[] =>
  jobs
    .map((job) => [rule(b, job), job] as const)
    .sort(([x, i], [y, k]) => x - y || i - k)
    .map(([, job]) => job);

/** Puts what is fixed on the board, the most urgent job's first. */
function placeFixed(b: Board): void {
  const fixed = fixedSteps(b);
  const jobs = b.ofJob.flatMap((own, job) => (own.some((at) => fixed[at]) ? [job] : []));
  for (const job of sortedBy(b, jobs, RULES[0] as Rule))
    placeJob(b, job, SOONEST, (at) => fixed[at] === true);
}

/** What runs and what was put somewhere, with what that needs: whatever else is planned stands around it. */
export function frameOf(empty: Board): Board {
  const frame = copyBoard(empty);
  placeRunning(frame);
  placeFixed(frame);
  return frame;
}

/** A good first plan: what runs and what was put somewhere, then all others by the rule that comes out best. */
export function firstPlan(empty: Board): Board {
  const frame = frameOf(empty);
  const rest = frame.ofJob.flatMap((own, job) => (own.some((at) => !frame.seats[at]) ? [job] : []));
  let best: Board = frame;
  let least = Infinity;
  let bestOrder: readonly number[] = [];
  const floor = new Map(rest.map((job) => [job, costWhenReady(frame, job, jobAlone(empty, job).finish)]));
  // What is not among the rest stands already; of the rest each costs what it costs alone at least.
  const atLeast = rest.reduce(
    (sum, job) => sum + (floor.get(job) ?? 0) - costOfJob(frame, job),
    costOf(frame),
  );
  const look = (order: readonly number[], put: (b: Board, job: number) => void): void => {
    const b = copyBoard(frame);
    let cost = atLeast;
    for (const job of order) {
      put(b, job);
      cost += costOfJob(b, job) - (floor.get(job) ?? 0);
      if (cost >= least) return;
    }
    [least, best, bestOrder] = [cost, b, order];
  };
  for (const rule of RULES) look(sortedBy(frame, rest, rule), placeJob);
  const queues = queuesOf(frame);
  let takes = takesOf(queues, frame.ofJob.length, 0);
  for (const power of POWERS) {
    const other = takesOf(queues, frame.ofJob.length, power);
    const before = least;
    look(byWorth(frame, rest, PRESSES_FIRST, other), placeJob);
    if (least < before) takes = other;
  }
  if (rest.some((job) => dueOf(frame, job) < Infinity))
    for (const presses of PRESSES) look(byWorth(frame, rest, presses, takes), placeJob);
  const order = bestOrder;
  for (const weighing of weighings(worthBySkill(frame, skillPrices(frame))))
    look(order, (b, job) => insertJob(b, job, weighing) || placeJob(b, job));
  return best;
}

/** Whether a step can stand where it stood before, and there alone: its seat, or null. */
function seatBefore(b: Board, own: BoardStep): Seat | null {
  const before = b.work.before[own.step.id];
  if (!before || before.start < mayBegin(b, own) || own.step.running || own.step.pin !== null) return null;
  const worker = b.work.workers.findIndex((w) => w.id === before.worker);
  if (!own.who.includes(worker)) return null;
  const spot = b.work.spots.findIndex((s) => s.id === before.spot);
  if (own.where && !own.where.includes(spot)) return null;
  const calendar = b.calendars[worker];
  if (!calendar || beginAfter(calendar, workedBefore(calendar, before.start)) !== before.start) return null;
  const found = earliestSeat(b, own, before.start, worker, own.where ? spot : -1);
  return found?.start === before.start ? found : null;
}

/** Puts a job where it stood before, as far as it can stand there: up to the first step that cannot. */
export function replaceAsBefore(b: Board, job: number): void {
  for (const at of b.ofJob[job] ?? []) {
    const found = b.seats[at] ?? seatBefore(b, b.steps[at] as BoardStep);
    if (!found) return;
    if (!b.seats[at]) seat(b, at, found);
  }
}

/** A step that had to wait so much longer than before looks for other hands. */
const MUCH_LATER = 600;

/** The soonest seat from where a step stood before on, in the same hands at the same place; null where that is much later. */
function seatNear(b: Board, own: BoardStep): Seat | null {
  const before = b.work.before[own.step.id];
  const worker = before ? b.work.workers.findIndex((w) => w.id === before.worker) : -1;
  if (!before || !own.who.includes(worker)) return null;
  const stood = b.work.spots.findIndex((s) => s.id === before.spot);
  const spots = own.where?.includes(stood) ? [stood] : (own.where ?? [-1]);
  // What somebody put somewhere stands there, not where it stood.
  const stoodAt = own.step.pin === null ? before.start : 0;
  const from = Math.max(stoodAt, mayBegin(b, own));
  let best: Seat | null = null;
  for (const spot of spots) {
    const found = earliestSeat(b, own, from, worker, spot);
    if (
      found &&
      found.start <= Math.max(from, before.start) + MUCH_LATER &&
      (!best || found.start < best.start)
    )
      best = found;
  }
  return best;
}

/** Seats a step near where it stood, and before it what it needs. */
function seatWithNeeds(b: Board, own: BoardStep): void {
  if (b.seats[own.at]) return;
  for (const i of own.after) seatWithNeeds(b, b.steps[i] as BoardStep);
  if (own.after.some((i) => !b.seats[i])) return;
  const found = seatNear(b, own) ?? bestSeat(b, own);
  if (found) seat(b, own.at, found);
}

/**
 * The plan before, brought up to date: steps keep their hands, places and order; what cannot begin yet moves on, and what
 * stands behind it in the same hands moves on only where it must. What is new finds a place around them, the most urgent
 * first.
 * @param ahead jobs that are given the best places before all others, wherever they stood
 */
export function replan(empty: Board, ahead: readonly number[] = []): Board {
  const b = copyBoard(empty);
  placeRunning(b);
  for (const job of ahead) placeJob(b, job);
  const stood = (own: BoardStep): number => {
    const before = b.work.before[own.step.id]?.start ?? Infinity;
    const { pin } = own.step;
    return pin === null ? before : before === Infinity ? pin : Math.max(pin, before);
  };
  const known = b.steps
    .filter((own) => stood(own) < Infinity)
    .sort((x, y) => stood(x) - stood(y) || x.at - y.at);
  const fixed = fixedSteps(b);
  for (const own of known) if (fixed[own.at]) seatWithNeeds(b, own);
  placeFixed(b);
  for (const own of known) seatWithNeeds(b, own);
  for (const job of sortedBy(
    b,
    b.ofJob.map((_, j) => j),
    RULES[0] as Rule,
  ))
    placeJob(b, job);
  return b;
}
