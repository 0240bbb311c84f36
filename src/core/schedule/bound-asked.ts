/** A job as the search for its cheapest way sees it: its steps, what can come after what, and what is looked up of them. */
import { jobAlone } from './alone.ts';
import type { Board, BoardStep, Seat } from './board.ts';
import { cellFrom, endsFrom, leastCosts, type BoundTime } from './bound-time.ts';

/** So many sets of steps that can be done already are looked at for a job; where there are more, short steps are left out. */
const MOST_SETS = 48;

/** A step with all that is looked up of it. */
export interface AskedStep {
  readonly at: number;
  readonly minutes: number;
  readonly wait: number;
  readonly who: readonly number[];
  /** when it is done from each cell on, by `who` */
  readonly ends: readonly Float64Array[];
  /** the cell in which the instrument has rested after it, from each cell on, by `who`; −1: it cannot begin there */
  readonly next: readonly Int32Array[];
  readonly first: number;
  /** the line of its place; −1: none */
  readonly place: number;
  readonly placeMinutes: number;
}

/** Some steps that can be done already, and one of them that can be the last. */
export interface LastStep {
  readonly step: number;
  /** the set without it */
  readonly before: number;
}

/** A job as the search for its cheapest way sees it. */
export interface AskedJob {
  readonly job: number;
  readonly steps: readonly AskedStep[];
  /** sets of steps, the smaller before the larger: the first is empty, the last is all */
  readonly sets: readonly (readonly LastStep[])[];
  /** whose it is; −1: nobody’s */
  readonly holder: number;
  /** the soonest it is ready */
  readonly soonest: number;
}

/** What is looked up again and again: when minutes are done, by line and length. */
export class Ends {
  private readonly known = new Map<string, Float64Array>();
  private readonly rested = new Map<string, Int32Array>();
  private readonly t: BoundTime;

  constructor(t: BoundTime) {
    this.t = t;
  }

  of(line: number, minutes: number, whole: boolean): Float64Array {
    const key = `${line} ${minutes} ${whole ? 1 : 0}`;
    let found = this.known.get(key);
    if (!found) {
      const one = this.t.lines[line];
      found = one ? endsFrom(this.t, one, minutes, whole) : new Float64Array();
      this.known.set(key, found);
    }
    return found;
  }

  /** The cell in which the instrument has rested after it. */
  after(line: number, minutes: number, whole: boolean, wait: number): Int32Array {
    const key = `${line} ${minutes} ${whole ? 1 : 0} ${wait}`;
    let found = this.rested.get(key);
    if (!found) {
      found = Int32Array.from(this.of(line, minutes, whole), (end) =>
        end < 0 ? -1 : cellFrom(this.t, end + wait),
      );
      this.rested.set(key, found);
    }
    return found;
  }
}

/** What minutes on end cost at the present prices, by line and length. */
export class Costs {
  private readonly known = new Map<number, Float64Array>();
  private readonly t: BoundTime;
  private readonly prices: readonly Float64Array[];

  constructor(t: BoundTime, prices: readonly Float64Array[]) {
    this.t = t;
    this.prices = prices;
  }

  of(line: number, minutes: number): Float64Array {
    const key = line * 1e6 + minutes;
    let found = this.known.get(key);
    if (!found) {
      const one = this.t.lines[line];
      found = one ? leastCosts(this.t, one, minutes, this.prices[line] as Float64Array) : new Float64Array();
      this.known.set(key, found);
    }
    return found;
  }
}

/** Every set of steps that can be done already; null where there are too many. */
function setsOf(own: readonly BoardStep[]): (readonly LastStep[])[] | null {
  const needs = own.map((s) =>
    s.after.flatMap((at) => own.findIndex((o) => o.at === at)).filter((i) => i >= 0),
  );
  const keyOf = (set: ReadonlySet<number>): string => [...set].sort((x, y) => x - y).join(' ');
  let layer = new Map<string, { set: Set<number>; index: number }>([['', { set: new Set(), index: 0 }]]);
  const sets: LastStep[][] = [[]];
  for (let size = 1; size <= own.length; size++) {
    const next: typeof layer = new Map();
    for (const { set, index } of layer.values())
      own.forEach((_, step) => {
        if (set.has(step) || needs[step]?.some((i) => !set.has(i))) return;
        const larger = new Set(set).add(step);
        const key = keyOf(larger);
        let found = next.get(key);
        if (!found) {
          found = { set: larger, index: sets.length };
          next.set(key, found);
          sets.push([]);
        }
        sets[found.index]?.push({ step, before: index });
      });
    if (sets.length > MOST_SETS) return null;
    layer = next;
  }
  return sets;
}

/** A step left out: those after it come after what it came after. */
const without = (own: readonly BoardStep[], gone: BoardStep): BoardStep[] =>
  own.flatMap((s) =>
    s === gone
      ? []
      : [
          s.after.includes(gone.at)
            ? { ...s, after: [...s.after.filter((at) => at !== gone.at), ...gone.after] }
            : s,
        ],
  );

/** What is looked up of a step that stands: it can be nobody else’s, and begin in no other cell. */
function standing(t: BoundTime, s: Seat | null): Partial<AskedStep> {
  if (!s) return {};
  const first = cellFrom(t, s.start);
  const ends = new Float64Array(t.from.length).fill(-1);
  const next = new Int32Array(t.from.length).fill(-1);
  ends[first] = s.end;
  next[first] = cellFrom(t, s.free);
  return { who: [s.worker], ends: [ends], next: [next], first };
}

/**
 * A job as it is asked for: with the steps that can be told apart in time.
 * @param empty a board with what stands whatever is planned, and nothing else
 */
export function askedJob(empty: Board, t: BoundTime, ends: Ends, job: number): AskedJob {
  let own = (empty.ofJob[job] ?? []).map((at) => empty.steps[at] as BoardStep);
  const workers = empty.calendars.length;
  let sets = setsOf(own);
  while (!sets) {
    own = without(
      own,
      own.reduce((least, s) => (s.minutes < least.minutes ? s : least)),
    );
    sets = setsOf(own);
  }
  const steps = own.map((s): AskedStep => ({
    at: s.at,
    minutes: s.minutes,
    wait: s.step.wait,
    who: s.who,
    ends: s.who.map((w) => ends.of(w, s.minutes, s.whole)),
    next: s.who.map((w) => ends.after(w, s.minutes, s.whole, s.step.wait)),
    first: cellFrom(t, Math.max(s.earliest, s.step.pin ?? 0)),
    place: s.where === null ? -1 : workers + t.kinds.indexOf(s.step.place ?? ''),
    placeMinutes: s.minutes + (s.step.holds ? s.step.wait : 0),
    ...standing(t, empty.seats[s.at] ?? null),
  }));
  const holder = empty.work.workers.findIndex((w) => w.id === empty.work.jobs[job]?.holder);
  return { job, steps, sets, holder, soonest: jobAlone(empty, job).finish };
}
