import { earliestSeat, type Board, type BoardStep, type Seat } from './board.ts';

/** Where a step could stand at the soonest with nobody else in the shop. */
function soonest(empty: Board, s: BoardStep, from: number): Seat | null {
  let found: Seat | null = null;
  for (const worker of s.who)
    for (const spot of s.where ?? [-1]) {
      const one = earliestSeat(empty, s, from, worker, spot);
      if (one && (!found || one.end < found.end)) found = one;
    }
  return found;
}

/** When each step of a job could begin, and when its instrument would have rested: minutes since the plan's beginning. */
export interface Soonest {
  readonly start: ReadonlyMap<number, number>;
  /** when the job is ready: no plan of any shop's work has it sooner */
  readonly finish: number;
}

/** A job with nothing else in the shop but what stands on the board whatever is planned. */
export function jobAlone(empty: Board, job: number): Soonest {
  const own = empty.ofJob[job] ?? [];
  const start = new Map<number, number>();
  const free = new Map<number, number>();
  for (const at of own) {
    const s = empty.steps[at] as BoardStep;
    const stands = empty.seats[at];
    if (stands) {
      start.set(at, stands.start);
      free.set(at, stands.free);
      continue;
    }
    const from = s.after.reduce(
      (most, i) => Math.max(most, free.get(i) ?? 0),
      Math.max(s.earliest, s.step.pin ?? 0),
    );
    const best = soonest(empty, s, from);
    start.set(at, best?.start ?? from);
    free.set(at, (best?.end ?? from + s.minutes) + s.step.wait);
  }
  // Hands and rests of one instrument never meet.
  const sum = own.reduce(
    (all, at) => all + (empty.steps[at]?.minutes ?? 0) + (empty.steps[at]?.step.wait ?? 0),
    0,
  );
  return { start, finish: Math.max(sum, ...free.values()) };
}
