import type { Calendar } from './calendar.ts';

/** Somebody who does steps. */
export interface Worker {
  readonly id: number;
  readonly name: string;
  /** 0: anyone at the bench, 1: who does setups, 2: who has done many */
  readonly skill: number;
  readonly calendar: Calendar;
}

/** A bench, a jig, a pair of clamps: one instrument at a time. */
export interface Spot {
  readonly id: string;
  readonly name: string;
  /** the kind of place a step asks for */
  readonly kind: string;
  /** when it cannot be used; what rests in it then, by its job's number */
  readonly out: readonly { readonly from: number; readonly to: number; readonly by?: number | undefined }[];
}

/** What something outside the shop takes: minutes from the plan's beginning, low, likely and high. */
export interface Doubt {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/** A step of a job that is still to be done. Minutes. */
export interface Step {
  readonly id: string;
  readonly title: string;
  /** hands-on; for a step that runs, what is left of it */
  readonly minutes: Doubt;
  /** what was worked on it already */
  readonly spent: number;
  /** after it the instrument rests so long, day and night */
  readonly wait: number;
  /** how long it may rest instead: low, likely and high; absent where it always rests as long */
  readonly rests?: Doubt | undefined;
  /** it rests for an answer: when it is done the customer is asked whether it may go on */
  readonly asks?: boolean | undefined;
  /** its place is taken until the rest is over */
  readonly holds: boolean;
  /** steps of the same job that come before it */
  readonly after: readonly string[];
  readonly skill: number;
  /** the kind of place it needs; null: none */
  readonly place: string | null;
  /** it may go on another day or after a break */
  readonly cut: boolean;
  /** the only ones who may: who began it, who was chosen; null: whoever can */
  readonly only: readonly number[] | null;
  /** where somebody put it: not before this moment, and before all that nobody put anywhere */
  readonly pin: number | null;
  /** it runs now, in the hands of the only one */
  readonly running: boolean;
  /** what it waits for from outside: an answer, a part */
  readonly waits: { readonly for: 'word' | 'part' | 'rest'; readonly until: Doubt } | null;
  /** not decided yet: what such jobs take */
  readonly guess: boolean;
}

/** A job with its open steps, in their order. Moments are minutes since the plan's beginning. */
export interface PlannedJob {
  readonly id: number;
  readonly number: number;
  readonly title: string;
  /** when it is wanted */
  readonly due: number | null;
  readonly hard: boolean;
  /** what was promised */
  readonly promised: number | null;
  /** whose job it is by now: they go on with it where they can */
  readonly holder: number | null;
  readonly steps: readonly Step[];
}

/** Where a step stood in the plan before. */
export interface Before {
  readonly worker: number;
  readonly spot: string | null;
  readonly start: number;
}

/** What is bad, a number each. Hours are of the clock on the wall. */
export interface Weights {
  /** an hour late of a date that stands */
  readonly hard: number;
  /** an hour late of a date that was wished for */
  readonly wished: number;
  /** an hour later than was promised */
  readonly promised: number;
  /** a step that is moved though nobody touched it */
  readonly moved: number;
  /** an hour that an instrument stays */
  readonly stay: number;
  /** another pair of hands on a job */
  readonly hands: number;
}

export const USUAL_WEIGHTS: Weights = { hard: 400, wished: 20, promised: 8, moved: 3, stay: 0.05, hands: 1 };

/** All that is planned, and by what. */
export interface ShopWork {
  readonly workers: readonly Worker[];
  readonly spots: readonly Spot[];
  readonly jobs: readonly PlannedJob[];
  readonly before: Readonly<Record<string, Before>>;
  readonly weights: Weights;
}

/** A step as it is planned. The end is of hands; free is when the instrument has rested. */
export interface PlacedStep {
  readonly step: string;
  readonly job: number;
  readonly worker: number;
  readonly spot: string | null;
  readonly start: number;
  readonly end: number;
  readonly free: number;
}

/** A plan of the shop's work, and the steps that found no place in it, each with why. */
export interface WeekPlan {
  readonly steps: readonly PlacedStep[];
  readonly unplaced: readonly { readonly step: string; readonly job: number; readonly why: string }[];
  readonly cost: number;
}
