/** A finished step after which the instrument rests: when it was finished (ms since the epoch), how long it waits (minutes). */
export interface RestAfter {
  readonly lineId: number;
  readonly title: string;
  readonly finishedAt: number | null;
  readonly wait: number;
}

/** A rest that runs: until when, ms since the epoch. */
export interface Wait {
  readonly lineId: number;
  readonly title: string;
  readonly since: number;
  readonly until: number;
}

const MINUTE = 60_000;

/** The rests that began with finished steps, the last to end first; those over are there too, as long as they are asked for. */
export const waitsOf = (lines: readonly RestAfter[]): Wait[] =>
  lines
    .flatMap(({ lineId, title, finishedAt, wait }) =>
      finishedAt === null || wait <= 0
        ? []
        : [{ lineId, title, since: finishedAt, until: finishedAt + wait * MINUTE }],
    )
    .sort((a, b) => b.until - a.until || a.lineId - b.lineId);

/** The rest that ends last of those still running at a moment, or null. */
export const runningWait = (lines: readonly RestAfter[], now: number): Wait | null =>
  waitsOf(lines).find((w) => w.until > now) ?? null;

/**
 * How long is left, as a bench says it: `2 days`, `3 h 05`, `12 min`, `over`.
 * @example sayLeft(0, 125 * 60_000) → `2 h 05`
 */
export function sayLeft(now: number, until: number): string {
  const minutes = Math.ceil((until - now) / MINUTE);
  if (minutes <= 0) return 'over';
  if (minutes < 60) return `${minutes} min`;
  if (minutes < 48 * 60) return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
  return `${Math.ceil(minutes / (24 * 60))} days`;
}
