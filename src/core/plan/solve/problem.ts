import type { FretTops } from '../../frets/fret-level.ts';
import type { Minor } from '../../money/minor.ts';
import type { LoggedTurn, RodPrior } from '../../neck/truss-rod.ts';
import type { Target, Touch } from '../../targets/target.ts';
import type { NeckModel } from '../../whatif/neck-model.ts';
import type { Operation } from '../../catalogue/operation.ts';
import { isStringing } from '../../catalogue/operations.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import type { Finding, Unplanned } from '../plan-input.ts';
import type { Limits, Weights, WorthRules } from '../plan-rules.ts';

/** What an instrument is worth, where it is known, and what that decides. */
export interface Worth extends WorthRules {
  readonly amount: Minor | null;
  /** its history counts: money is no measure, and what it was made of stays */
  readonly history?: boolean | undefined;
}

/** How the rod's nut answers, as the inspection and the logged turns tell: `turns` where nothing speaks against it. */
export type RodState = 'turns' | 'stuck' | 'at-its-end' | 'no-answer' | 'unreachable';

/** Where saddles stand that are set by screws or wheels: at the end of their way down or up, or between; null. */
export type SaddleEnd = 'lowest' | 'highest' | null;

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
  readonly saddleEnd: SaddleEnd;
  /** taper of the bridge pins, degrees; null where nobody has tried */
  readonly pinTaper: number | null;
  /** the turns its rod was given, and what one is taken to do where there are none */
  readonly turns: readonly LoggedTurn[];
  readonly rodPrior: RodPrior;
  /** how hard it is played; null where that does not count: then no clearance is asked for */
  readonly touch: Touch | null;
  /** how hard this player plucks by what was heard, N; absent where the touch's usual hand stands */
  readonly force?: number | undefined;
  readonly worth: Worth;
  readonly limits: Limits;
  readonly weights: Weights;
  /** action change at the 12th per change of relief */
  readonly ratio: number;
  readonly firstCutShare: number;
  /** sign money is written with */
  readonly currency: string;
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

/**
 * Whether what was found asks for a new set of strings: pitches that were read on the old ones say nothing of it, and are read again
 * when it is on.
 */
export const getsNewSet = (p: Pick<Problem, 'findings' | 'catalogue' | 'declined'>): boolean =>
  p.findings.some((f) => {
    const op = offered(p, f.leadsTo);
    return op !== null && isStringing(op);
  });

/** Why an operation is not offered, in words. */
export const notOffered = (p: Pick<Problem, 'declined'>, id: OperationId): string =>
  p.declined.has(id) ? 'It was declined.' : 'The shop does not do this work.';
