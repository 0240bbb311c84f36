import type { RoundKind } from '../readings/rounds.ts';
import type { StringAge } from '../readings/set-on.ts';
import type { Matters } from '../instrument/matters.ts';
import type { SetPayer } from './set-payer.ts';
import type { LearnedNumbers } from '../learn/learned.ts';
import type { Answer, Checklist } from '../inspection/checklist.ts';
import type { Construction } from '../instrument/construction.ts';
import type { Minor } from '../money/minor.ts';
import type { Operation } from '../catalogue/operation.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import type { KeptOperation } from '../catalogue/operations.ts';
import type { DecidedLine } from '../plan/plan-of-job.ts';
import type { Opening } from '../days/opening.ts';
import type { PlanRules } from '../plan/plan-rules.ts';
import type { Plan } from '../plan/solve/plans.ts';
import type { Conditions } from '../readings/conditions.ts';
import type { Reading } from '../readings/reading.ts';
import type { Station } from '../readings/stations.ts';
import type { ShopTargets } from '../targets/shop-targets.ts';
import type { TargetWish, Touch } from '../targets/target.ts';
import type { HeardPlace } from '../whatif/heard.ts';
import type { ShopInfo } from './shop.ts';

/** A line of the work order, as far as it is judged. */
export interface JudgedLine {
  readonly title: string;
  readonly operation: OperationId;
  readonly approval: 'asked' | 'yes' | 'no';
  readonly finishedAt: Date | null;
  /** the decision that put it on the order */
  readonly decisionId?: number | null;
  /** the operation as it was agreed; absent or null where that was not kept */
  readonly record?: KeptOperation | null | undefined;
}

/** Strings that went on or came off, as far as it is judged. */
export interface JudgedStringChange {
  readonly kind: 'off' | 'on';
  /** new ones, where they went on */
  readonly fresh: boolean | null;
  readonly changedAt: Date;
}

/** What was answered to an item of the checklist. */
export interface JudgedAnswer {
  readonly item: string;
  readonly answer: Answer | null;
  readonly note: string;
  /** what was found, by its name on the item */
  readonly finding: string | null;
  readonly answeredAt: Date;
}

/** One turn of the rod, as far as it is judged: eighths of a turn, tightening positive; relief in mm where it was read. */
export interface JudgedTurn {
  readonly eighths: number;
  readonly before: number | null;
  readonly after: number | null;
  readonly turnedAt: Date;
}

/**
 * What is judged of a job, wherever it comes from: the house's rows, a file, a case. Lengths are mm, moments are Dates of
 * the house's clock.
 */
export interface JudgedJob {
  readonly job: {
    readonly touch: Touch | null;
    readonly matters?: Matters | null | undefined;
    readonly setPaidBy?: SetPayer | null | undefined;
    readonly stringsState: Conditions['strings'];
    /** what was heard where its player played; absent or null where nothing was */
    readonly heard?: readonly HeardPlace[] | null | undefined;
  };
  readonly instrument: {
    readonly construction: Construction;
    readonly worthMinor: Minor | null;
    /** the kind it is of, which may be one of the shop's own */
    readonly kind?: string;
  };
  readonly checklist: Pick<Checklist, 'items'> | null;
  readonly answers: readonly JudgedAnswer[];
  readonly rounds: readonly {
    readonly strings: Conditions['strings'];
    readonly kind?: RoundKind | undefined;
    readonly setAge?: StringAge | null | undefined;
  }[];
  /** every reading as the sums want it */
  readonly standard: readonly Reading[];
  readonly wishes: readonly TargetWish[];
  readonly stations: readonly Station[];
  readonly stringChanges: readonly JudgedStringChange[];
  readonly lines: readonly JudgedLine[];
  readonly decisions: readonly (DecidedLine & { readonly id?: number })[];
  /** the plan it goes by */
  readonly choice: { readonly plan: Plan['id'] } | null;
  readonly turns: readonly JudgedTurn[];
  /** what is believed of the instrument’s own numbers; what the shop’s rules say where nothing is */
  readonly numbers?: LearnedNumbers | undefined;
}

/** What judging needs of the shop. */
export interface JudgingShop {
  readonly catalogue: readonly Operation[];
  readonly shopTargets: ShopTargets;
  /** how it plans; what ships where it has said nothing */
  readonly planning?: PlanRules | undefined;
  /** when it is open; always where it has said nothing */
  readonly opening?: Opening | undefined;
  readonly info: Pick<ShopInfo, 'currency'>;
}
