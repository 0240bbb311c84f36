/** Wrong PINs so far, and until when the name is locked on this device (ms since the epoch). */
export interface PinTrouble {
  readonly failed: number;
  readonly lockedUntil: number | null;
}

export const FREE_TRIES = 5;
const FIRST_LOCK_MS = 60_000;
const LONGEST_LOCK_MS = 30 * 60_000;

/**
 * After a wrong PIN: five are free, then each further one locks for a minute, two, four … up to half an hour.
 * @param now ms since the epoch
 * @example afterWrongPin({ failed: 4, lockedUntil: null }, 0) → { failed: 5, lockedUntil: 60000 }
 */
export function afterWrongPin(trouble: PinTrouble, now: number): PinTrouble {
  const failed = trouble.failed + 1;
  if (failed < FREE_TRIES) return { failed, lockedUntil: null };
  const lock = Math.min(LONGEST_LOCK_MS, FIRST_LOCK_MS * 2 ** Math.min(20, failed - FREE_TRIES));
  return { failed, lockedUntil: now + lock };
}

/** Whether a name is locked now. */
export const isLocked = (trouble: PinTrouble, now: number): boolean =>
  trouble.lockedUntil !== null && trouble.lockedUntil > now;
