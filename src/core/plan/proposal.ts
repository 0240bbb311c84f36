import type { OperationId } from './operation-ids.ts';

/** One line Rubrica proposes: what to do, the sum in words, and what it rests on. */
export interface ProposalLine {
  /** the same for the same advice, so that a decision stays with it */
  readonly key: string;
  readonly operation: OperationId;
  readonly title: string;
  /** the sum in words */
  readonly says: string;
  /** why: readings, formula and settings, a line each */
  readonly why: readonly string[];
  /** station keys of the readings it rests on */
  readonly restsOn: readonly string[];
  readonly warnings: readonly string[];
}

export interface Proposal {
  readonly lines: readonly ProposalLine[];
  /** what is already good: leave it */
  readonly leave: readonly string[];
  /** stations still to read before the proposal is whole */
  readonly missing: readonly string[];
  /** stations whose reading is stale and was therefore not used */
  readonly stale: readonly string[];
}
