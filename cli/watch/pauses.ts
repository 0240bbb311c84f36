const FIRST_MS = 250;
const LONGEST_MS = 30_000;
/** What ran so long was well: the pauses begin anew. */
const WELL_AFTER_MS = 60_000;

/**
 * How long to wait before a process that ended is started again: the more often it ended, the longer.
 * @param ended how often it ended without having run well in between
 * @returns ms
 */
export const pauseBefore = (ended: number): number =>
  Math.min(LONGEST_MS, FIRST_MS * 2 ** Math.max(0, ended - 1));

/** How often it ended in a row, with this time: begins anew after it ran well. */
export const endedInARow = (before: number, ranMs: number): number =>
  ranMs >= WELL_AFTER_MS ? 1 : before + 1;
