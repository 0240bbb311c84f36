import { earliestSeat, seat, type Board, type BoardStep, type Seat } from './board.ts';
import { costOfSkill, type SkillPrices } from './skill-price.ts';
import { costWhenReady, movedCost } from './cost.ts';

/** So many ways to do what is looked at of a job so far are kept. */
const MOST_WAYS = 6;

/** A way to do the first steps of a job. */
interface PartWay {
  /** when the instrument has rested after them */
  readonly free: number;
  /** hands changed, steps moved, and what skilled hands are worth to others; not yet what its end costs */
  readonly cost: number;
  /** whose hands were the last; −1: nobody’s yet */
  readonly hand: number;
  readonly seat: Seat | null;
  readonly before: PartWay | null;
}

/** What a minute of a worker’s hands is worth to others, where a step would stand. */
export type Worth = (worker: number, step: BoardStep, seat: Seat) => number;

/** What it is worth by the skill that others wait for. */
export const worthBySkill =
  (b: Board, prices: SkillPrices): Worth =>
  (worker, { step }, { start }) =>
    costOfSkill(prices, b.work.workers[worker]?.skill ?? 0, step.skill, start);

/** How hands are weighed against each other. */
export interface Weighing {
  /** what a minute of somebody’s is worth to others */
  readonly worth: Worth;
  /** how much of that counts, 0 to 1 */
  readonly part: number;
  /** what a minute costs besides for each level of skill more than is needed */
  readonly level: number;
}

const PARTS = [0, 0.5, 1] as const;
const LEVELS = [0, 0.003, 0.01, 0.03] as const;

/** Ways to weigh that a first plan tries. */
export const weighings = (worth: Worth): readonly Weighing[] => [
  { worth, part: 0, level: 0.01 },
  { worth, part: 1, level: 0 },
];

/** Any way to weigh. */
export const anyWeighing = (worth: Worth, next: () => number): Weighing => ({
  worth,
  part: PARTS[Math.floor(next() * PARTS.length)] ?? 0,
  level: LEVELS[Math.floor(next() * LEVELS.length)] ?? 0,
});

/** The best of some ways: those that no other one beats in cost and time, the most promising first. */
function bestWays(b: Board, job: number, ways: readonly PartWay[]): PartWay[] {
  const { hands } = b.work.weights;
  const promise = ways.map((way) => way.cost + costWhenReady(b, job, way.free));
  const order = ways.map((_, i) => i).sort((x, y) => (promise[x] ?? 0) - (promise[y] ?? 0));
  const kept: PartWay[] = [];
  for (const i of order) {
    if (kept.length >= MOST_WAYS) break;
    const way = ways[i] as PartWay;
    const beaten = kept.some(
      (k) => k.free <= way.free && k.cost + (k.hand === way.hand ? 0 : hands) <= way.cost,
    );
    if (!beaten) kept.push(way);
  }
  return kept;
}

/** The seat of a step by somebody that is done soonest. */
function soonestOf(b: Board, own: BoardStep, from: number, worker: number): Seat | null {
  if (!own.where) return earliestSeat(b, own, from, worker, -1);
  let best: Seat | null = null;
  for (const spot of own.where) {
    const found = earliestSeat(b, own, from, worker, spot);
    if (found && (!best || found.end < best.end)) best = found;
  }
  return best;
}

/** All ways one more step can follow on some ways: by each hand, as soon as it can. */
function following(
  b: Board,
  own: BoardStep,
  ways: readonly PartWay[],
  { worth, part, level }: Weighing,
): PartWay[] {
  const { weights, workers } = b.work;
  const least = Math.max(own.earliest, own.step.pin ?? 0);
  const found: PartWay[] = [];
  for (const worker of own.who) {
    const skill = workers[worker]?.skill ?? 0;
    const dear = level * Math.max(0, skill - own.step.skill);
    for (const way of ways) {
      const best = soonestOf(b, own, Math.max(least, way.free), worker);
      if (!best) continue;
      const more = part === 0 ? dear : dear + part * worth(worker, own, best);
      const cost =
        way.cost +
        (way.hand >= 0 && way.hand !== worker ? weights.hands : 0) +
        weights.moved * movedCost(b, own.at, best) +
        own.minutes * more;
      found.push({ free: best.free, cost, hand: worker, seat: best, before: way });
    }
  }
  return found;
}

/**
 * Puts a job of which no step stands on the board where it costs the least as the board stands: its steps one after the other, each by
 * whoever it is best done by, weighing other hands against waiting for the same.
 * @returns whether all of it found a place; where not, or where some of it stood already, the board is as it was
 */
export function insertJob(b: Board, job: number, weighing: Weighing): boolean {
  const holder = b.work.workers.findIndex((w) => w.id === b.work.jobs[job]?.holder);
  let ways: PartWay[] = [{ free: 0, cost: 0, hand: holder, seat: null, before: null }];
  const own = b.ofJob[job] ?? [];
  if (own.some((at) => b.seats[at])) return false;
  for (const at of own) {
    const step = b.steps[at] as BoardStep;
    ways = bestWays(b, job, following(b, step, ways, weighing));
    if (ways.length === 0) return false;
  }
  let way: PartWay | null = ways[0] ?? null;
  for (const at of [...own].reverse()) {
    if (way?.seat) seat(b, at, way.seat);
    way = way?.before ?? null;
  }
  return true;
}
