import { dayIn, daysBetween, wallClock, type Day } from './zone.ts';

/** How days are written: `2 Dec`, `Dec 2`, `2026-12-02`. */
export const DATE_FORMS = ['day-month', 'month-day', 'iso'] as const;
export type DateForm = (typeof DATE_FORMS)[number];

/** The months by their names. */
export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;
const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'] as const;
const FAR = 300;

const parts = (day: Day): readonly [year: number, month: string, day: number] => {
  const [y = 0, m = 1, d = 1] = day.split('-').map(Number);
  return [y, MONTHS[m - 1] ?? '', d];
};

/** The day of the week: `Fri`. */
export const weekdayOf = (day: Day): string => WEEKDAYS[new Date(`${day}T00:00:00Z`).getUTCDay()] ?? '';

/** A day and its month, short: `2 Dec`, `Dec 2`, `2026-12-02`. */
export function sayShort(day: Day, form: DateForm): string {
  const [, month, d] = parts(day);
  const short = month.slice(0, 3);
  return form === 'iso' ? day : form === 'month-day' ? `${short} ${d}` : `${d} ${short}`;
}

/** Says a day the way it is said in the shop: today, tomorrow, Fri, 2 Dec; with its year where that is far. */
export function sayDay(day: Day, today: Day, form: DateForm): string {
  const days = daysBetween(today, day);
  if (days === 0) return 'today';
  if (days === 1) return 'tomorrow';
  if (days === -1) return 'yesterday';
  if (days > 1 && days < 7) return weekdayOf(day);
  const far = form !== 'iso' && Math.abs(days) > FAR;
  return far ? `${sayShort(day, form)} ${parts(day)[0]}` : sayShort(day, form);
}

/** Says a day whole, for paper and customers: `16 December 2026`, `December 16, 2026`. */
export function sayDate(day: Day, form: DateForm): string {
  const [year, month, d] = parts(day);
  return form === 'iso' ? day : form === 'month-day' ? `${month} ${d}, ${year}` : `${d} ${month} ${year}`;
}

/** Says a moment (ms) as the clock on the shop’s wall shows it: `23 Nov, 14:10`. */
export function sayMoment(at: number, zone: string, form: DateForm): string {
  const { hour, minute } = wallClock(at, zone);
  return `${sayShort(dayIn(at, zone), form)}, ${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
}
