import { closedOn, weekdayOn, type Opening, type Span, type WeekHours } from '../../core/days/opening.ts';
import { addDays, clockOn, dayIn, type Day } from '../../core/days/zone.ts';
import { calendarOf, type Calendar } from '../../core/schedule/calendar.ts';

/** How far the plan looks, days. */
export const DAYS_AHEAD = 150;
const MINUTE = 60_000;

const SPANS: readonly Span[] = [
  { from: 9 * 60, to: 12 * 60 + 30 },
  { from: 13 * 60 + 30, to: 18 * 60 },
];
/** A shop's week where nobody has said when it is open. */
const USUAL_WEEK: WeekHours = {
  monday: SPANS,
  tuesday: SPANS,
  wednesday: SPANS,
  thursday: SPANS,
  friday: SPANS,
  saturday: [],
  sunday: [],
};

export interface Away {
  readonly personId: number;
  readonly firstDay: Day;
  readonly lastDay: Day;
}

/** Hours beside somebody's own, on one day: minutes after midnight. */
export interface ExtraHours extends Span {
  readonly personId: number;
  readonly day: Day;
}

const moments = new Map<string, number>();
/** The same as `clockOn`, found once: a calendar asks for the same few hundred moments again and again. */
function momentOn(day: Day, minutes: number, zone: string): number {
  const key = `${zone} ${day} ${minutes}`;
  const known = moments.get(key);
  if (known !== undefined) return known;
  if (moments.size > 20_000) moments.clear();
  const made = clockOn(day, minutes, zone);
  moments.set(key, made);
  return made;
}

/** The hours of a week that hold for somebody. */
export const hoursFor = (own: WeekHours | null, { hours }: Opening): WeekHours => own ?? hours ?? USUAL_WEEK;

/**
 * Somebody's working time from a moment on, minutes since it: their own hours without closed days, and what they stay
 * longer; nothing of it on days off.
 */
export function workingTime(
  person: { readonly id: number; readonly hours: WeekHours | null },
  opening: Opening,
  { away, extra }: { readonly away: readonly Away[]; readonly extra: readonly ExtraHours[] },
  from: number,
  zone: string,
): Calendar {
  const today = dayIn(from, zone);
  const hours = hoursFor(person.hours, opening);
  const own = away.filter((a) => a.personId === person.id);
  const more = extra.filter((e) => e.personId === person.id);
  return calendarOf(
    Array.from({ length: DAYS_AHEAD }, (_, i) => addDays(today, i)).flatMap((day) => {
      const shut =
        opening.closed.length > 0 && closedOn({ hours: null, closed: opening.closed }, day) !== null;
      if (own.some((a) => a.firstDay <= day && day <= a.lastDay)) return [];
      const spans = [...(shut ? [] : hours[weekdayOn(day)]), ...more.filter((e) => e.day === day)];
      return spans.map((s) => ({
        from: (momentOn(day, s.from, zone) - from) / MINUTE,
        to: (momentOn(day, s.to, zone) - from) / MINUTE,
      }));
    }),
  );
}

/** When the shop closes on a day, minutes after midnight; six in the evening where it is closed or nobody has said. */
export function closesOn(opening: Opening, day: Day): number {
  const spans = hoursFor(null, opening)[weekdayOn(day)];
  return spans.at(-1)?.to ?? 18 * 60;
}
