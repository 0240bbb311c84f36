/** One stretch of work on a step: ms since the epoch; without an end while it runs. */
export interface Stretch {
  readonly from: number;
  readonly to: number | null;
}

/** Worked time of a step up to now, ms. Stretches of two people at once count for both. */
export const workedMs = (stretches: readonly Stretch[], now: number): number =>
  stretches.reduce((ms, s) => ms + Math.max(0, (s.to ?? now) - s.from), 0);

const MINUTE = 60_000;
const LEAST = 120 * MINUTE;

/**
 * Whether a running clock looks forgotten: longer on end than twice what the step takes at the most, and than two hours.
 * @param high minutes the step takes at the most
 */
export const looksForgotten = (from: number, now: number, high: number): boolean =>
  now - from > Math.max(LEAST, 2 * high * MINUTE);

/** Why a stretch cannot have been that long, or null. Minutes from its beginning. */
export function whyNotSoLong(from: number, end: number, minutes: number): string | null {
  if (!Number.isInteger(minutes) || minutes < 0) return 'Whole minutes.';
  const most = Math.ceil((end - from) / MINUTE);
  return minutes > most ? `The clock ran ${most} min: it cannot have been more.` : null;
}
