/** How long a shop keeps what; null keeps it for good. */
export interface Periods {
  /** customers are forgotten so many years after their last visit */
  readonly customersYears: number | null;
  /** pictures of jobs go so many years after the job ended; their digests stay */
  readonly photosYears: number | null;
  /** plucks that were kept with readings go so many years after the job ended; the readings stay */
  readonly soundsYears: number | null;
  /** to whom a message went, and about what, so many months after it went */
  readonly messagesMonths: number | null;
  /** the names on invoices of those who were forgotten go so many years after they were made */
  readonly invoicesYears: number | null;
}

/** As a shop begins: addresses of messages for a year, everything else for good. */
export const USUAL_PERIODS: Periods = {
  customersYears: null,
  photosYears: null,
  soundsYears: null,
  messagesMonths: 12,
  invoicesYears: null,
};

/**
 * The moment before which something is over its period, ms; null where it is kept for good. Years and months by the calendar: a day
 * the month does not have is its last.
 * @example overSince(Date.UTC(2026, 1, 28), 0, 1) → Date.UTC(2026, 0, 28)
 */
export function overSince(now: number, years: number | null, months: number | null): number | null {
  if (years === null && months === null) return null;
  const at = new Date(now);
  const day = at.getUTCDate();
  at.setUTCDate(1);
  at.setUTCMonth(at.getUTCMonth() - 12 * (years ?? 0) - (months ?? 0));
  const last = new Date(Date.UTC(at.getUTCFullYear(), at.getUTCMonth() + 1, 0)).getUTCDate();
  at.setUTCDate(Math.min(day, last));
  return at.getTime();
}
