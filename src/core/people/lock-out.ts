/** Wrong PINs for a name on one tablet so far, and until when the name is locked there (ms since the epoch). */
export interface PinTrouble {
  readonly failed: number;
  readonly lockedUntil: number | null;
}

export const FREE_TRIES = 5;
const FIRST_LOCK_MS = 60_000;
const LONGEST_LOCK_MS = 30 * 60_000;
/** Wrong PINs of so long ago are forgotten. */
export const FORGOTTEN_MS = 24 * 3_600_000;

/**
 * After a wrong PIN: five are free, counted for a name over all tablets, then each further one locks it on the tablet it was typed on
 * for a minute, two, four … up to half an hour. The first wrong one on a tablet locks there for a minute at most: whoever guesses
 * a name elsewhere keeps nobody out of the whole house.
 * @param elsewhere wrong PINs for the name on other tablets of late
 * @param now ms since the epoch
 * @example afterWrongPin({ failed: 4, lockedUntil: null }, 0, 0) → { failed: 5, lockedUntil: 60000 }
 */
export function afterWrongPin(trouble: PinTrouble, elsewhere: number, now: number): PinTrouble {
  const failed = trouble.failed + 1;
  const all = failed + elsewhere;
  if (all < FREE_TRIES) return { failed, lockedUntil: null };
  const grown = Math.min(LONGEST_LOCK_MS, FIRST_LOCK_MS * 2 ** Math.min(20, all - FREE_TRIES));
  return { failed, lockedUntil: now + (failed === 1 ? FIRST_LOCK_MS : grown) };
}

/** Whether a name is locked now. A lock that is longer than any is one of a clock that was set back: it keeps nobody out. */
export const isLocked = (trouble: PinTrouble, now: number): boolean =>
  trouble.lockedUntil !== null && trouble.lockedUntil > now && trouble.lockedUntil - now <= LONGEST_LOCK_MS;
