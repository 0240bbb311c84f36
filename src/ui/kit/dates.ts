import { differenceInCalendarDays, format, parseISO } from 'date-fns';

/** Says a day the way it is said in the shop: today, tomorrow, Fri, 2 Dec. `iso` is `yyyy-mm-dd`. */
export function sayDay(iso: string, today: string): string {
  const days = differenceInCalendarDays(parseISO(iso), parseISO(today));
  if (days === 0) return 'today';
  if (days === 1) return 'tomorrow';
  if (days === -1) return 'yesterday';
  if (days > 1 && days < 7) return format(parseISO(iso), 'EEE');
  return format(parseISO(iso), days < -300 || days > 300 ? 'd MMM yyyy' : 'd MMM');
}

/** Says a moment: `23 Nov, 14:10`. */
export const sayMoment = (iso: string): string => format(parseISO(iso), 'd MMM, HH:mm');

/** Today as `yyyy-mm-dd`. */
export const todayIso = (): string => format(new Date(), 'yyyy-MM-dd');

/** Says a day whole, for paper and customers: `16 December 2026`. `iso` is `yyyy-mm-dd`. */
export const sayDate = (iso: string): string => format(parseISO(iso), 'd MMMM yyyy');
