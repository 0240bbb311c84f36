const MINUTE = 60_000;

/** How long a message rests after each try that failed for now, ms; after the last of them it has failed. */
export const PAUSES = [MINUTE / 2, 2 * MINUTE, 10 * MINUTE, 60 * MINUTE, 6 * 60 * MINUTE] as const;

/**
 * When a message that could not go is tried again, ms from now; null where it is not.
 * @param tries how often it was tried, this time included
 * @param temporary whether it may go later: a service that is away, not an address that is none
 */
export const pauseAfter = (tries: number, temporary: boolean): number | null =>
  temporary ? (PAUSES[tries - 1] ?? null) : null;
