import type { Quantity } from '../readings/quantities.ts';
import { movedBy } from './graph.ts';
import type { Reading } from '../readings/reading.ts';

/** A finished operation and what it made stale. `at` is ms since the epoch. */
export interface FinishedOperation {
  readonly title: string;
  readonly stale: readonly Quantity[];
  readonly at: number;
}

/** What strings that were changed, or taken off and put back, move. */
export const MOVED_BY_STRINGS: readonly Quantity[] = [...movedBy('strings')];

/** Why a reading must be taken again: the newest operation that moved it. */
export interface StaleReason {
  readonly since: number;
  readonly because: string;
}

/**
 * Which readings are stale, and why: those older than a finished operation that moves what they measure.
 * @returns a reason per reading's place in the input, null where it still holds
 */
export function staleReasons(
  readings: readonly Pick<Reading, 'quantity' | 'takenAt'>[],
  operations: readonly FinishedOperation[],
): readonly (StaleReason | null)[] {
  return readings.map((r) => {
    const movers = operations.filter((o) => o.at >= r.takenAt && o.stale.includes(r.quantity));
    const last = movers.reduce<FinishedOperation | null>((a, b) => (a === null || b.at > a.at ? b : a), null);
    return last === null ? null : { since: last.at, because: last.title };
  });
}
