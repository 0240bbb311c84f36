import { fail, ok, type Result } from '../result.ts';
import { addDays, type Day } from './zone.ts';

export const WEEK = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'] as const;
export type Weekday = (typeof WEEK)[number];

/** A stretch of a day, minutes since midnight on the wall's clock. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** The stretches of each weekday, in their order; none where it is free. */
export type WeekHours = Readonly<Record<Weekday, readonly Span[]>>;

/** Days on which the shop is closed, both ends with it. */
export interface ClosedDays {
  readonly from: Day;
  readonly to: Day;
  readonly why: string;
}

/** When the shop is open. Hours are null where nobody has said: then every day counts as open. */
export interface Opening {
  readonly hours: WeekHours | null;
  readonly closed: readonly ClosedDays[];
}

export const ALWAYS: Opening = { hours: null, closed: [] };
export const NO_HOURS: WeekHours = {
  monday: [],
  tuesday: [],
  wednesday: [],
  thursday: [],
  friday: [],
  saturday: [],
  sunday: [],
};

const DAY_MINUTES = 24 * 60;
const FURTHEST_DAYS = 400;

/** Which weekday a day of the calendar is. */
export const weekdayOn = (day: Day): Weekday =>
  WEEK[(new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7] ?? 'monday';

const TIME = /^(\d{1,2})(?:[:.h]?(\d{2}))?\s*(am|pm|a\.m\.|p\.m\.)?$/i;

/** A time of day in minutes, or null: `9`, `9:30`, `9.30`, `0930`, `6 pm`. */
function readTime(text: string): number | null {
  const m = TIME.exec(text.trim());
  if (!m) return null;
  const half = m[3]?.[0]?.toLowerCase();
  let hour = Number(m[1]);
  const minute = Number(m[2] ?? 0);
  if (half && (hour < 1 || hour > 12)) return null;
  if (half === 'p' && hour < 12) hour += 12;
  if (half === 'a' && hour === 12) hour = 0;
  const at = hour * 60 + minute;
  return minute > 59 || at > DAY_MINUTES ? null : at;
}

const CLOSED = /^(?:-|–|—|closed|none|free|off)?$/i;
const HOW = 'Write hours like 9–12:30, 13:30–18, or nothing where it is closed.';

/**
 * Reads the hours of a day: stretches, one after the other; nothing where it is closed.
 * @example readSpans('9–12:30, 13:30–18') → [{ from: 540, to: 750 }, { from: 810, to: 1080 }]
 */
export function readSpans(text: string): Result<readonly Span[], string> {
  if (CLOSED.test(text.trim())) return ok([]);
  const read: Span[] = [];
  for (const part of text.split(/[,;]|\band\b/)) {
    const [a = '', b = '', more] = part.split(/[-–—]|\bto\b/);
    const [from, to] = [readTime(a), readTime(b)];
    if (from === null || to === null || more !== undefined) return fail(HOW);
    if (to <= from) return fail(`“${part.trim()}” ends before it begins.`);
    if ((read.at(-1)?.to ?? 0) > from) return fail(`“${part.trim()}” begins before the one before it ends.`);
    read.push({ from, to });
  }
  return ok(read);
}

/** The minutes after midnight of a time of day as a field gives it, `18:05`; null where it is none. */
export function minuteOf(time: string): number | null {
  const [, hour, minute] = /^(\d{1,2}):(\d\d)(?::\d\d)?$/.exec(time) ?? [];
  return hour === undefined || minute === undefined ? null : 60 * Number(hour) + Number(minute);
}

/** A time of day by its minutes after midnight: `18:05`. */
export const sayTime = (at: number): string => `${Math.floor(at / 60)}:${String(at % 60).padStart(2, '0')}`;

/** The hours of a day as they are typed; read again they are the same. */
export const saySpans = (spans: readonly Span[]): string =>
  spans.map((s) => `${sayTime(s.from)}–${sayTime(s.to)}`).join(', ');

const same = (a: readonly Span[], b: readonly Span[]): boolean => saySpans(a) === saySpans(b);
const short = (d: Weekday): string => `${d[0]?.toUpperCase() ?? ''}${d.slice(1, 3)}`;

/**
 * A week in one line, days that are alike together; empty where nothing is open or nobody has said.
 * @example sayWeek(…) → 'Mon–Fri 9:00–18:00, Sat 10:00–13:00'
 */
export function sayWeek(hours: WeekHours | null): string {
  if (hours === null) return '';
  const runs: { readonly first: Weekday; last: Weekday; readonly spans: readonly Span[] }[] = [];
  for (const day of WEEK) {
    const run = runs.at(-1);
    if (run && same(run.spans, hours[day])) run.last = day;
    else runs.push({ first: day, last: day, spans: hours[day] });
  }
  return runs
    .filter((r) => r.spans.length > 0)
    .map((r) => `${short(r.first)}${r.first === r.last ? '' : `–${short(r.last)}`} ${saySpans(r.spans)}`)
    .join(', ');
}

/** Why the shop is closed on a day, or null where it is open. */
export function closedOn({ hours, closed }: Opening, day: Day): string | null {
  const away = closed.find((c) => c.from <= day && day <= c.to);
  if (away) return away.why === '' ? 'closed' : away.why;
  const weekday = weekdayOn(day);
  if (hours === null || hours[weekday].length > 0) return null;
  return `closed on ${weekday[0]?.toUpperCase() ?? ''}${weekday.slice(1)}s`;
}

/** The first open day from a day on, or back from it, the day with it; null where none is open for more than a year. */
export function openDay(opening: Opening, day: Day, step: 1 | -1 = 1): Day | null {
  for (let n = 0; n < FURTHEST_DAYS; n++) {
    const at = addDays(day, n * step);
    if (closedOn(opening, at) === null) return at;
  }
  return null;
}

/** How long a week of hours is, minutes. */
export const weekMinutes = (hours: WeekHours): number =>
  WEEK.reduce((all, d) => all + hours[d].reduce((sum, s) => sum + s.to - s.from, 0), 0);
