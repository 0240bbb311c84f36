import type { FretTops } from '../../frets/fret-level.ts';
import type { Minor } from '../../money/money.ts';
import type { LoggedTurn, RodPrior } from '../../neck/truss-rod.ts';
import type { Target, Touch } from '../../targets/target.ts';
import type { NeckModel } from '../../whatif/neck-model.ts';
import type { Operation } from '../operation.ts';
import type { OperationId } from '../operation-ids.ts';
import type { LengthUnit } from '../../units/length-units.ts';
import type { Finding, Unplanned } from '../plan-input.ts';

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
  /** most that goes under a saddle */
  readonly saddleShim: number;
  /** most that a shim or a tilt lifts the fret plane at the saddle */
  readonly tilt: number;
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
  saddleShim: 0.8,
  tilt: 6,
  nutCompensation: 1.5,
  highFret: 0.03,
  planned: 0.03,
};

export const USUAL_WEIGHTS: Weights = { day: 400, removed: 1000, irreversible: 300, close: 500 };

/** What an instrument is worth, where it is known, decides what may be spent on it and what may be done to it. */
export interface Worth {
  readonly amount: Minor | null;
  /** share of its worth that a single operation may cost */
  readonly share: number;
  /** up to this worth a bridge may be thinned instead of a neck reset */
  readonly thinUpTo: Minor;
}

export const USUAL_WORTH: Omit<Worth, 'amount'> = { share: 0.5, thinUpTo: 80_000 };

/** How the rod's nut answers, as the inspection and the logged turns tell: `turns` where nothing speaks against it. */
export type RodState = 'turns' | 'stuck' | 'at-its-end' | 'no-answer' | 'unreachable';

/** Everything a plan is found from. */
export interface Problem {
  readonly model: NeckModel;
  /** target by station key; only stations that were read are judged */
  readonly targets: ReadonlyMap<string, Target>;
  /** stations judged: key, quantity, string index from the lowest (−1 for the neck), and what a gauge tells apart */
  readonly judged: readonly Judged[];
  readonly catalogue: readonly Operation[];
  readonly findings: readonly Finding[];
  /** findings that no operation deals with, and why */
  readonly unplanned: readonly Unplanned[];
  /** tops and heights of the frets; empty where they were not read */
  readonly frets: readonly FretTops[];
  /** what was not read and is asked for before anybody goes by a plan */
  readonly questions: readonly string[];
  readonly rod: RodState;
  /** the turns its rod was given, and what one is taken to do where there are none */
  readonly turns: readonly LoggedTurn[];
  readonly rodPrior: RodPrior;
  /** how hard it is played; null where that does not count: then no clearance is asked for */
  readonly touch: Touch | null;
  readonly worth: Worth;
  readonly limits: Limits;
  readonly weights: Weights;
  /** action change at the 12th per change of relief */
  readonly ratio: number;
  readonly firstCutShare: number;
  /** sign money is written with */
  readonly currency: string;
  /** unit heights are said in, with mm beside it */
  readonly unit: LengthUnit;
  /** what somebody decided against: it is not looked at */
  readonly declined: ReadonlySet<OperationId>;
}

/** A place that is held against its band. */
export interface Judged {
  readonly key: string;
  readonly label: string;
  readonly quantity: 'relief' | 'action' | 'nut-gap' | 'intonation';
  readonly index: number;
  readonly tells: number;
  /** what the gauge it was read with tells apart; 0 where that is not known */
  readonly sure: number;
}

/** The catalogue's operation, or null where this shop does not offer it or somebody decided against it. */
export const offered = (
  p: Pick<Problem, 'catalogue'> & Partial<Pick<Problem, 'declined'>>,
  id: OperationId,
): Operation | null => (p.declined?.has(id) ? null : (p.catalogue.find((o) => o.id === id) ?? null));

/** Why an operation is not offered, in words. */
export const notOffered = (p: Pick<Problem, 'declined'>, id: OperationId): string =>
  p.declined.has(id) ? 'It was declined.' : 'The shop does not do this work.';
