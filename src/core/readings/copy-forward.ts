import type { Reading } from './reading.ts';
import { roundOrder, type RoundKind } from './rounds.ts';

/**
 * What still holds and can stand in a round without being read again: the newest representative reading of each place
 * from an earlier round, when it is not stale and the round has none of its own there.
 * @param stale whether a reading has gone stale since it was taken
 */
export function copyForward<R extends Reading>(
  readings: readonly R[],
  into: RoundKind,
  stale: (reading: R) => boolean,
): readonly R[] {
  const own = new Set(readings.filter((r) => r.round === into).map((r) => r.key));
  const newest = new Map<string, R>();
  for (const r of readings) {
    if (own.has(r.key) || r.notRepresentative !== null || roundOrder(r.round) >= roundOrder(into)) continue;
    const known = newest.get(r.key);
    if (known === undefined || known.takenAt < r.takenAt) newest.set(r.key, r);
  }
  return [...newest.values()].filter((r) => !stale(r));
}
