import { seat, unseat, type Board, type Seat } from './board.ts';
import { costOfJob } from './cost.ts';
import { isFixed, liftJob, placeJob, replaceAsBefore } from './place.ts';
import { seeded } from '../seeded.ts';

export interface Search {
  readonly seed: number;
  /** asked before each try with how many were made: whether to go on */
  readonly more: (tries: number) => boolean;
}

/** So much worse than the best a plan may become on the way to a better one. */
const DETOUR = 0.002;
/** How often, and by how much, a seat that is not the soonest is tried. */
const OTHER_SEAT = 0.15;
const OTHER_SEAT_MINUTES = 1440;
const WINDOW = 2 * 1440;
const MOST_AT_ONCE = 10;

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
  const all = [...close];
  for (let i = all.length - 1; i > 0; i--) {
    const k = Math.floor(next() * (i + 1));
    [all[i], all[k]] = [all[k] as number, all[i] as number];
  }
  return all.slice(0, most);
}

/** A job to begin with: the dear ones more often. */
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
    if (how < 0.3) return noise.get(j) ?? 0;
    if (how < 0.6) return -(costs[j] ?? 0) * (0.5 + (noise.get(j) ?? 0));
    const { due = null, hard = false } = b.work.jobs[j] ?? {};
    return ((due ?? 1e6) - (hard ? 5000 : 0)) * (0.8 + 0.4 * (noise.get(j) ?? 0));
  };
  return [...jobs].sort((x, y) => key(x) - key(y));
}

/**
 * Makes a plan better for as long as it may: some jobs that stand in each other's way are taken off and come back in another
 * order; what comes out worse is put back. The board holds a whole plan at every moment, in the end the best one found.
 * @returns how many tries were made
 */
export function improve(b: Board, { seed, more }: Search): number {
  const next = seeded(seed);
  const movable = b.ofJob.flatMap((own, job) => (own.length > 0 && !isFixed(b, job) ? [job] : []));
  const isMovable = new Set(movable);
  const costs = b.ofJob.map((_, job) => costOfJob(b, job));
  let now = costs.reduce((sum, c) => sum + c, 0);
  let least = now;
  let best: readonly (Seat | null)[] = [...b.seats];
  let tries = 0;
  const jitter = (): number => (next() < OTHER_SEAT ? next() * OTHER_SEAT_MINUTES : 0);
  if (movable.length === 0) return 0;
  for (; more(tries); tries++) {
    const first = pickJob(costs, movable, next);
    const most = 1 + Math.floor(next() * Math.min(MOST_AT_ONCE, movable.length));
    const taken = [first, ...neighbours(b, first, most, next, isMovable)];
    const before = taken.map((job) => (b.ofJob[job] ?? []).map((at) => [at, b.seats[at] ?? null] as const));
    const was = taken.reduce((sum, job) => sum + (costs[job] ?? 0), 0);
    for (const job of taken) liftJob(b, job);
    for (const job of shuffled(b, taken, costs, next)) {
      if (next() < 0.3) replaceAsBefore(b, job);
      placeJob(b, job, jitter);
    }
    const made = taken.map((job) => costOfJob(b, job));
    const change = made.reduce((sum, c) => sum + c, 0) - was;
    if (now + change <= least + DETOUR * Math.abs(least) + 1e-9) {
      taken.forEach((job, i) => (costs[job] = made[i] ?? 0));
      now += change;
      if (now < least - 1e-9) {
        least = now;
        best = [...b.seats];
      }
      continue;
    }
    for (const job of taken) liftJob(b, job);
    for (const [at, s] of before.flat()) if (s) seat(b, at, s);
  }
  for (const own of b.steps) unseat(b, own.at);
  best.forEach((s, at) => s && seat(b, at, s));
  return tries;
}
