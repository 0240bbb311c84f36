import { saySpans, sayWeek, WEEK, type WeekHours } from '../days/opening.ts';
import { sayDate, type DateForm } from '../days/say-days.ts';
import type { Day } from '../days/zone.ts';

/** Whether there is such a language, after BCP 47: `en`, `de`, `pt-BR`. */
export function isLanguage(tag: string): boolean {
  try {
    return Intl.getCanonicalLocales(tag).length === 1;
  } catch {
    return false;
  }
}

const isEnglish = (language: string): boolean => /^en\b/i.test(language);
/** A Monday: the names of weekdays are asked of it and the days after. */
const MONDAY = Date.UTC(2026, 0, 5);
const DAY_MS = 86_400_000;

/** A day whole in a language; in English the way the shop writes days. */
export const sayDateIn = (day: Day, language: string, form: DateForm): string =>
  isEnglish(language)
    ? sayDate(day, form)
    : new Intl.DateTimeFormat(language, { dateStyle: 'long', timeZone: 'UTC' }).format(
        Date.parse(`${day}T00:00:00Z`),
      );

/** The week in a language, a day after the other; in English days that are alike together. Empty where nobody has said. */
export function sayWeekIn(hours: WeekHours | null, language: string): string {
  if (hours === null || isEnglish(language)) return sayWeek(hours);
  const name = new Intl.DateTimeFormat(language, { weekday: 'short', timeZone: 'UTC' });
  return WEEK.flatMap((day, i) =>
    hours[day].length === 0 ? [] : [`${name.format(MONDAY + i * DAY_MS)} ${saySpans(hours[day])}`],
  ).join(', ');
}
