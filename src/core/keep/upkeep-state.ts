const HOUR_MS = 3_600_000;
/** A night may be missed by some hours: a machine that is switched off makes its copy by day. */
const OLD_AFTER_MS = 36 * HOUR_MS;

/** One time something was done to keep the record; times in ms since 1970. */
export interface Upkeep {
  readonly endedAt: number;
  readonly good: boolean;
}

/** How it stands with what is done every night: never done, done of late, too long ago, or failed the last time. */
export type UpkeepState = 'never' | 'fresh' | 'old' | 'failed';

/**
 * How it stands with copies, or with the check of seals.
 * @param runs the last run and the last good one, in any order
 * @param now ms since 1970
 * @example upkeepState([], 0) → 'never'; upkeepState([{ endedAt: 0, good: true }], 3600000) → 'fresh'
 */
export function upkeepState(runs: readonly Upkeep[], now: number): UpkeepState {
  const newest = [...runs].sort((a, b) => b.endedAt - a.endedAt)[0];
  if (!newest) return 'never';
  if (!newest.good) return 'failed';
  return now - newest.endedAt > OLD_AFTER_MS ? 'old' : 'fresh';
}

/**
 * Whether it is time for the night's work: once after each night's hour, also by day where the machine was off at night.
 * @param lastGood when it was done well the last time, ms; null: never
 * @param dueSince the last time the night's hour struck, ms
 * @param lastTried when it was tried last, ms: what failed is tried again after an hour
 * @param now ms
 * @returns whether to begin now
 */
export function isDue(
  lastGood: number | null,
  dueSince: number,
  lastTried: number | null,
  now: number,
): boolean {
  if (lastTried !== null && lastTried <= now && now - lastTried < HOUR_MS) return false;
  return lastGood === null || lastGood > now || lastGood < dueSince;
}
