import type { Board, BoardStep } from './board.ts';
import { heldOf } from './row-held.ts';

/** What is asked of a step: to lie in one piece, a place; and that it stood somewhere before. */
export const WHOLE = 1;
export const PLACED = 2;
export const STOOD = 4;

/** The steps of a row, numbered as they came, with what never changes about them. Moments are minutes. */
export interface RowSteps {
  readonly steps: readonly BoardStep[];
  /** of each step of the board, whether it stays where it is */
  readonly stays: readonly boolean[];
  /** the step of the same job before each, and after it; −1: none */
  readonly prev: Int32Array;
  readonly next: Int32Array;
  readonly jobOf: Int32Array;
  /** by job: its first step; −1: it is not in the row */
  readonly first: Int32Array;
  readonly people: number;
  /** by step and person: whether they may do it */
  readonly may: Uint8Array;
  readonly minutes: Float64Array;
  /** how long the instrument rests after it */
  readonly wait: Float64Array;
  readonly earliest: Float64Array;
  readonly asks: Uint8Array;
  /** those that need a place; and by step, all that need one of the same kind */
  readonly placed: readonly number[];
  readonly placedLike: readonly Int32Array[];
  /** by job: whose hands it is in before its first step of the row; −1: nobody’s */
  readonly handBefore: readonly number[];
}

/** By step: its turn in the row, and who does it. */
export interface Turns {
  readonly turn: Float64Array;
  readonly hand: Int32Array;
}

/** Chains the steps of each job, in the order of a list. */
function chained(
  list: Int32Array,
  jobOf: Int32Array,
  jobs: number,
): Pick<RowSteps, 'prev' | 'next' | 'first'> {
  const none = (many: number): Int32Array => new Int32Array(many).fill(-1);
  const [prev, next, first, last] = [none(list.length), none(list.length), none(jobs), none(jobs)];
  for (const node of list) {
    const job = jobOf[node] as number;
    const before = last[job] as number;
    if (before < 0) first[job] = node;
    else next[before] = node;
    prev[node] = before;
    last[job] = node;
  }
  return { prev, next, first };
}

/** By step: all that need a place of the same kind. */
function placedLike(steps: readonly BoardStep[], placed: readonly number[]): Int32Array[] {
  const kinds = new Map<string | null, Int32Array>();
  return steps.map(({ step: { place } }) => {
    const like =
      kinds.get(place) ?? Int32Array.from(placed.filter((node) => steps[node]?.step.place === place));
    kinds.set(place, like);
    return like;
  });
}

/**
 * The steps of a plan that can be moved in its row, and their turns: in the order in which they begin.
 * @param b a plan
 * @param held of each of its steps, whether it stays where it is; so do jobs of which one has no place, or others come before such a one
 */
export function rowSteps(b: Board, held: readonly boolean[]): { of: RowSteps } & Turns {
  const { stays, heldUntil, handBefore } = heldOf(b, held);
  const steps = b.steps.filter(({ at }) => !stays[at]);
  const begin = (node: number): number => b.seats[steps[node]?.at ?? -1]?.start ?? 0;
  const list = Int32Array.from(steps.keys()).sort((x, y) => begin(x) - begin(y) || x - y);
  const turn = new Float64Array(steps.length);
  list.forEach((node, at) => {
    turn[node] = at;
  });
  const jobOf = Int32Array.from(steps, ({ job }) => job);
  const people = b.calendars.length;
  const may = new Uint8Array(steps.length * people);
  steps.forEach(({ who }, node) => {
    for (const w of who) may[node * people + w] = 1;
  });
  const placed = steps.flatMap((s, node) => (s.where ? [node] : []));
  const of: RowSteps = {
    steps,
    stays,
    ...chained(list, jobOf, b.ofJob.length),
    jobOf,
    people,
    may,
    minutes: Float64Array.from(steps, ({ minutes }) => minutes),
    wait: Float64Array.from(steps, ({ step }) => step.wait),
    earliest: Float64Array.from(steps, ({ job, earliest, step }) =>
      Math.max(earliest, step.pin ?? 0, heldUntil[job] ?? 0),
    ),
    asks: Uint8Array.from(
      steps,
      (s) => (s.whole ? WHOLE : 0) | (s.where ? PLACED : 0) | (b.work.before[s.step.id] ? STOOD : 0),
    ),
    placed,
    placedLike: placedLike(steps, placed),
    handBefore,
  };
  return { of, turn, hand: Int32Array.from(steps, ({ at }) => b.seats[at]?.worker ?? 0) };
}
