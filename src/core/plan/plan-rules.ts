import { USUAL_CAUSES, type CauseWeights } from '../hunt/causes.ts';
import { USUAL_SHAPE_LIMITS, type ShapeLimits } from '../inspection/found-by-reading.ts';
import type { Minor } from '../money/minor.ts';

/** What a plan must keep to. mm, degrees; every number a shop setting. */
export interface Limits {
  /** least and most that a saddle may stand out */
  readonly standout: { readonly low: number; readonly good: number; readonly high: number };
  readonly breakAngle: number;
  readonly slotFloor: number;
  readonly fretHeight: number;
  readonly newFretHeight: number;
  /** most that the rod is asked to do in all */
  readonly rod: number;
  /** least and most that relief is out for a neck to be clamped or warmed */
  readonly clamp: { readonly low: number; readonly high: number };
  /** most that goes under a saddle */
  readonly saddleShim: number;
  /** most that a shim or a tilt lifts the fret plane at the saddle */
  readonly tilt: number;
  /** how far from the end of their way saddles on screws or wheels are brought by a new neck angle */
  readonly saddleWay: number;
  readonly nutCompensation: number;
  /** a fret that stands this much over the line of its neighbours is high */
  readonly highFret: number;
  /** room between string and fret that a plan must leave, as much as readings can be wrong by */
  readonly planned: number;
}

/** What is weighed against money, in minor units. */
export interface Weights {
  /** a day of waiting */
  readonly day: Minor;
  /** all that a part has to give, taken off for good */
  readonly removed: Minor;
  /** a step that cannot be undone */
  readonly irreversible: Minor;
  /** room between string and fret that is less than readings can be wrong by */
  readonly close: Minor;
}

export const USUAL_LIMITS: Limits = {
  standout: { low: 1.5, good: 3.2, high: 6 },
  breakAngle: 12,
  slotFloor: 2.4,
  fretHeight: 0.6,
  newFretHeight: 1.1,
  rod: 0.6,
  clamp: { low: 0.05, high: 0.6 },
  saddleShim: 0.8,
  tilt: 6,
  saddleWay: 0.5,
  nutCompensation: 1.5,
  highFret: 0.03,
  planned: 0.03,
};

export const USUAL_WEIGHTS: Weights = { day: 400, removed: 1000, irreversible: 300, close: 500 };

/** What an instrument is worth decides what may be spent on it and what may be done to it. */
export interface WorthRules {
  /** share of its worth that a single operation may cost */
  readonly share: number;
  /** share of its worth that a whole plan may cost */
  readonly total: number;
  /** up to this worth a bridge may be thinned instead of a neck reset */
  readonly thinUpTo: Minor;
}

export const USUAL_WORTH: WorthRules = { share: 0.5, total: 0.75, thinUpTo: 80_000 };

/** What a turn of an eighth does to the relief where the instrument has not answered yet, mm, with its spread. */
export interface RodRule {
  readonly perEighth: number;
  readonly sd: number;
  /** what it was known by, in words; absent: the setting */
  readonly known?: string | undefined;
}

/** How a shop plans: every choice the sums make by themselves. */
export interface PlanRules {
  /** share of a cut that is made before it is read again */
  readonly firstCutShare: number;
  readonly rodPrior: RodRule;
  /** action change at the 12th per change of relief; null goes by the kind */
  readonly rodActionRatio: number | null;
  readonly limits: Limits;
  readonly weights: Weights;
  readonly worth: WorthRules;
  readonly shape: Omit<ShapeLimits, 'fretHeight'>;
  /** how often each cause of a noise is met here */
  readonly noises: CauseWeights;
}

/** What ships: ordinary trade practice. */
export const USUAL_PLAN_RULES: PlanRules = {
  firstCutShare: 0.8,
  rodPrior: { perEighth: 0.05, sd: 0.03 },
  rodActionRatio: null,
  limits: USUAL_LIMITS,
  weights: USUAL_WEIGHTS,
  worth: USUAL_WORTH,
  shape: {
    rise: USUAL_SHAPE_LIMITS.rise,
    hump: USUAL_SHAPE_LIMITS.hump,
    twist: USUAL_SHAPE_LIMITS.twist,
  },
  noises: USUAL_CAUSES,
};

/** The limits of a neck's shape by a shop's rules. */
export const shapeLimits = ({ shape, limits }: PlanRules): ShapeLimits => ({
  ...shape,
  fretHeight: limits.fretHeight,
});
