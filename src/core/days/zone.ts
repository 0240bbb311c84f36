/** A day as `yyyy-mm-dd`. */
export type Day = string;

const formats = new Map<string, Intl.DateTimeFormat>();

function formatOf(zone: string): Intl.DateTimeFormat {
  const known = formats.get(zone);
  if (known) return known;
  const made = new Intl.DateTimeFormat('en-CA', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
  });
  formats.set(zone, made);
  return made;
}

/** Whether there is such a time zone. */
export function isZone(zone: string): boolean {
  try {
    return formatOf(zone) !== null;
  } catch {
    return false;
  }
}

/** What a clock on the wall shows in a zone. Months from 1. */
export interface WallClock {
  readonly year: number;
  readonly month: number;
  readonly day: number;
  readonly hour: number;
  readonly minute: number;
  readonly second: number;
}

/** What the clock on the wall of a zone shows at a moment (ms). */
export function wallClock(at: number, zone: string): WallClock {
  const parts = formatOf(zone).formatToParts(at);
  const of = (type: Intl.DateTimeFormatPartTypes): number =>
    Number(parts.find((p) => p.type === type)?.value ?? 0);
  return {
    year: of('year'),
    month: of('month'),
    day: of('day'),
    hour: of('hour'),
    minute: of('minute'),
    second: of('second'),
  };
}

const two = (n: number): string => String(n).padStart(2, '0');

/**
 * The day it is in a zone at a moment (ms), `yyyy-mm-dd`.
 * @example dayIn(Date.UTC(2026, 10, 20, 12), 'Pacific/Auckland') → 2026-11-21
 */
export function dayIn(at: number, zone: string): Day {
  const { year, month, day } = wallClock(at, zone);
  return `${String(year).padStart(4, '0')}-${two(month)}-${two(day)}`;
}

const DAY_MS = 86_400_000;

/** Whether a text is a day there is, as `yyyy-mm-dd`. */
export function isDay(text: string): boolean {
  const at = /^\d{4}-\d{2}-\d{2}$/.test(text) ? Date.parse(`${text}T00:00:00Z`) : Number.NaN;
  return !Number.isNaN(at) && new Date(at).toISOString().startsWith(text);
}

/** A day some days later or earlier: counted on the calendar, whatever the clocks do. */
export const addDays = (day: Day, days: number): Day =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);

/** How many days lie between two days of the calendar; negative where the second is earlier. */
export const daysBetween = (from: Day, to: Day): number =>
  Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS);

/** Minutes by which the clock of a zone is ahead of UTC at a moment (ms). */
const aheadAt = (at: number, zone: string): number => {
  const w = wallClock(at, zone);
  return Math.round((Date.UTC(w.year, w.month - 1, w.day, w.hour, w.minute, w.second) - at) / 60_000);
};

/**
 * The moment (ms) the clock of a zone shows a time on a day; where it skips that time, the hour beside it.
 * @param minutes after midnight, as the clock on the wall counts them
 * @example clockOn('2026-11-27', 150, 'UTC') → 1795746600000
 */
export function clockOn(day: Day, minutes: number, zone: string): number {
  const about = startOfDay(day, zone) + minutes * 60_000;
  const { hour, minute } = wallClock(about, zone);
  return about + (minutes - hour * 60 - minute) * 60_000;
}

/**
 * The moment (ms) a day begins in a zone: midnight, or where the clocks skip it the first moment there is.
 */
export function startOfDay(day: Day, zone: string): number {
  const utc = Date.parse(`${day}T00:00:00Z`);
  const candidates = [aheadAt(utc - DAY_MS, zone), aheadAt(utc, zone), aheadAt(utc + DAY_MS, zone)]
    .map((ahead) => utc - ahead * 60_000)
    .sort((a, b) => a - b);
  const first = candidates.find((at) => dayIn(at, zone) === day && dayIn(at - 1, zone) < day);
  if (first !== undefined) return first;
  // Midnight does not exist that day: the first minute that does.
  const from = candidates[0] ?? utc;
  for (let at = from - 3 * 3_600_000; at < from + 27 * 3_600_000; at += 60_000)
    if (dayIn(at, zone) === day) return at;
  return from;
}
