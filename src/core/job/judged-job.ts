import type { Answer, Checklist } from '../inspection/checklist.ts';
import type { Construction } from '../instrument/construction.ts';
import type { Operation } from '../plan/operation.ts';
import type { OperationId } from '../plan/operation-ids.ts';
import type { Conditions } from '../readings/conditions.ts';
import type { Reading } from '../readings/reading.ts';
import type { Station } from '../readings/stations.ts';
import type { ShopTargets } from '../targets/shop-targets.ts';
import type { TargetWish, Touch } from '../targets/target.ts';

/** A line of the work order, as far as it is judged. */
export interface JudgedLine {
  readonly title: string;
  readonly operation: OperationId;
  readonly approval: 'asked' | 'yes' | 'no';
  readonly finishedAt: Date | null;
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
}

/**
 * What is judged of a job, wherever it comes from: the house's rows, a file, a case. Lengths are mm, moments are Dates of
 * the house's clock.
 */
export interface JudgedJob {
  readonly job: { readonly touch: Touch; readonly stringsState: Conditions['strings'] };
  readonly instrument: { readonly construction: Construction };
  readonly checklist: Pick<Checklist, 'items'> | null;
  readonly answers: readonly JudgedAnswer[];
  readonly rounds: readonly { readonly strings: Conditions['strings'] }[];
  /** every reading as the sums want it */
  readonly standard: readonly Reading[];
  readonly wishes: readonly TargetWish[];
  readonly stations: readonly Station[];
  readonly stringChanges: readonly JudgedStringChange[];
  readonly lines: readonly JudgedLine[];
}

/** What judging needs of the shop. */
export interface JudgingShop {
  readonly catalogue: readonly Operation[];
  readonly shopTargets: ShopTargets;
}
