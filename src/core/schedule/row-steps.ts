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
  /** when the instrument has to have rested after it: then something of the job begins that stays where it is */
  readonly latest: Float64Array;
  readonly asks: Uint8Array;
  /** by step: which kind of place it needs; −1: none; and how many kinds there are */
  readonly kind: Int32Array;
  readonly kinds: number;
  /** by step: who has the first and the last of what stays between the one before it of its job and itself; −1: nothing does */
  readonly firstHand: Int32Array;
  readonly lastHand: Int32Array;
  /** by job: whose hands it is in before its first step of the row, and those it goes on to after the last; −1: nobody’s */
  readonly handBefore: readonly number[];
  readonly handAfter: readonly number[];
  /** by job: when what stays of it has rested, 0 where nothing does */
  readonly heldRested: readonly number[];
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

/**
 * The steps of a plan that can be moved in its row, and their turns: in the order in which they begin.
 * @param b a plan
 * @param held of each of its steps, whether it stays where it is; so do jobs of which one has no place
 */
export function rowSteps(b: Board, held: readonly boolean[]): { of: RowSteps } & Turns {
  const { stays, from, until, firstHand, lastHand, handBefore, handAfter, rested } = heldOf(b, held);
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
  const kinds = [...new Set(steps.flatMap(({ where, step: { place } }) => (where ? [place] : [])))];
  const of: RowSteps = {
    steps,
    stays,
    ...chained(list, jobOf, b.ofJob.length),
    jobOf,
    people,
    may,
    minutes: Float64Array.from(steps, ({ minutes }) => minutes),
    wait: Float64Array.from(steps, ({ step }) => step.wait),
    earliest: Float64Array.from(steps, ({ at, earliest, step }) =>
      Math.max(earliest, step.pin ?? 0, from[at] ?? 0),
    ),
    latest: Float64Array.from(steps, ({ at }) => until[at] ?? Infinity),
    asks: Uint8Array.from(
      steps,
      (s) => (s.whole ? WHOLE : 0) | (s.where ? PLACED : 0) | (b.work.before[s.step.id] ? STOOD : 0),
    ),
    kind: Int32Array.from(steps, ({ where, step: { place } }) => (where ? kinds.indexOf(place) : -1)),
    kinds: kinds.length,
    firstHand: Int32Array.from(steps, ({ at }) => firstHand[at] ?? -1),
    lastHand: Int32Array.from(steps, ({ at }) => lastHand[at] ?? -1),
    handBefore,
    handAfter,
    heldRested: rested,
  };
  return { of, turn, hand: Int32Array.from(steps, ({ at }) => b.seats[at]?.worker ?? 0) };
}
