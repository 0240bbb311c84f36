import type { Quantity } from '../readings/quantities.ts';
import { movedBy } from './graph.ts';
import type { Reading } from '../readings/reading.ts';

/** A finished operation and what it made stale. `at` is ms since the epoch. */
export interface FinishedOperation {
  readonly title: string;
  readonly stale: readonly Quantity[];
  readonly at: number;
  /** minutes it rests before what it moved stands still; none where it does not rest */
  readonly wait?: number | undefined;
}

/** What strings that were changed, or taken off and put back, move. */
export const MOVED_BY_STRINGS: readonly Quantity[] = [...movedBy('strings')];

/** Why a reading must be taken again: the newest operation that moved it. */
export interface StaleReason {
  readonly since: number;
  readonly because: string;
}

/** Work whose rest a reading was taken in: what it moved was on its way. Moments are ms. */
export interface Unrested {
  readonly title: string;
  readonly at: number;
  readonly until: number;
}

const MINUTE = 60_000;
/** What is kept together with a turn was read after it, nobody knows how long. */
const TOGETHER_MS = 1000;
/** What rests so many minutes, or more, goes on moving by more than a gauge can tell. */
export const LONG_REST = 60;

/** Until when what an operation moved goes on moving, ms. */
export const settledAt = ({ at, wait = 0 }: Pick<FinishedOperation, 'at' | 'wait'>): number =>
  at + wait * MINUTE;

/** The work in whose rest a reading was taken, the one that rests longest; null where there is none. */
export function unrestedBy(
  r: Pick<Reading, 'quantity' | 'takenAt'>,
  operations: readonly FinishedOperation[],
): Unrested | null {
  const running = operations.filter(
    (o) => o.at + TOGETHER_MS < r.takenAt && r.takenAt < settledAt(o) && o.stale.includes(r.quantity),
  );
  return running.reduce<Unrested | null>(
    (a, { title, at, wait }) =>
      a !== null && a.until >= settledAt({ at, wait }) ? a : { title, at, until: settledAt({ at, wait }) },
    null,
  );
}

/** Why a reading that was taken in a long rest does not stand for what has rested. */
function tooSoon(
  r: Pick<Reading, 'quantity' | 'takenAt'>,
  operations: readonly FinishedOperation[],
): StaleReason | null {
  const found = unrestedBy(
    r,
    operations.filter((o) => (o.wait ?? 0) >= LONG_REST),
  );
  return found && { since: found.at, because: `${found.title}, not rested yet` };
}

/**
 * Which readings are stale, and why: those older than a finished operation that moves what they measure, and those that were taken
 * while it rested, where that takes an hour or more.
 * @returns a reason per reading's place in the input, null where it still holds
 */
export function staleReasons(
  readings: readonly Pick<Reading, 'quantity' | 'takenAt'>[],
  operations: readonly FinishedOperation[],
): readonly (StaleReason | null)[] {
  return readings.map((r) => {
    const movers = operations.filter((o) => o.at >= r.takenAt && o.stale.includes(r.quantity));
    const last = movers.reduce<FinishedOperation | null>((a, b) => (a === null || b.at > a.at ? b : a), null);
    return last === null ? tooSoon(r, operations) : { since: last.at, because: last.title };
  });
}
