/**
 * When the rest after a step begins: with the rod's last turn, where that was logged before the step was finished, else when it was
 * finished. Moments are ms; null where it is not finished.
 */
export const restsSince = (finishedAt: number | null, lastTurn: number | null): number | null =>
  finishedAt !== null && lastTurn !== null && lastTurn <= finishedAt ? lastTurn : finishedAt;

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
