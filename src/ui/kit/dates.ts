import { differenceInCalendarDays, lightFormat, parseISO } from 'date-fns';

const WORDS = {
  weekday: new Intl.DateTimeFormat('en-US', { weekday: 'short' }),
  month: new Intl.DateTimeFormat('en-US', { month: 'short' }),
  wholeMonth: new Intl.DateTimeFormat('en-US', { month: 'long' }),
} as const;

/** A day and its month: `2 Dec`. */
const dayAndMonth = (d: Date): string => `${d.getDate()} ${WORDS.month.format(d)}`;

/** Says a day the way it is said in the shop: today, tomorrow, Fri, 2 Dec. `iso` is `yyyy-mm-dd`. */
export function sayDay(iso: string, today: string): string {
  const day = parseISO(iso);
  const days = differenceInCalendarDays(day, parseISO(today));
  if (days === 0) return 'today';
  if (days === 1) return 'tomorrow';
  if (days === -1) return 'yesterday';
  if (days > 1 && days < 7) return WORDS.weekday.format(day);
  return days < -300 || days > 300 ? `${dayAndMonth(day)} ${day.getFullYear()}` : dayAndMonth(day);
}

/** Says a moment: `23 Nov, 14:10`. */
export function sayMoment(iso: string): string {
  const moment = parseISO(iso);
  return `${dayAndMonth(moment)}, ${lightFormat(moment, 'HH:mm')}`;
}

/** Today as `yyyy-mm-dd`. */
export const todayIso = (): string => lightFormat(new Date(), 'yyyy-MM-dd');

/** Says a day whole, for paper and customers: `16 December 2026`. `iso` is `yyyy-mm-dd`. */
export function sayDate(iso: string): string {
  const day = parseISO(iso);
  return `${day.getDate()} ${WORDS.wholeMonth.format(day)} ${day.getFullYear()}`;
}
