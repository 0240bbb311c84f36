import { isAdjustable, stringsOfCourse, type Construction } from '../instrument/construction.ts';
import type { Quantity } from './quantities.ts';
import { stationKey } from './stations.ts';

interface CourseReading {
  readonly quantity: Quantity;
  readonly string: number;
  readonly fret: number;
  readonly value: number;
  readonly uncertainty?: number | null | undefined;
}

/**
 * Whether the strings of a course are judged as one: their height always, for one saddle carries both; their pitch where one
 * contact serves both. Slots are cut string by string.
 */
const asCourse = (c: Pick<Construction, 'perCourse' | 'bridge'>, quantity: Quantity): boolean =>
  c.perCourse > 1 && (quantity === 'action' || (quantity === 'intonation' && !isAdjustable(c)));

/**
 * The other places that are judged together with one, by key: none where each string is judged by itself.
 * @example on a 12-string with a one-piece saddle `intonation:12:12` → `intonation:11:12`
 */
export function partnersOf(
  c: Pick<Construction, 'strings' | 'perCourse' | 'bridge'>,
  place: Pick<CourseReading, 'quantity' | 'string' | 'fret'>,
): readonly string[] {
  if (place.string === 0 || !asCourse(c, place.quantity)) return [];
  return stringsOfCourse(c, place.string)
    .filter((n) => n !== place.string)
    .map((n) => stationKey(place.quantity, n, place.fret));
}

/**
 * Readings as they are judged: the strings of a course have one height, whichever of them was read, and one error where one
 * contact serves them, the mean of theirs. Taking it twice changes nothing.
 * @param readings by key; mm and cents
 * @param stale keys that do not count
 */
export function judgedReadings<R extends CourseReading>(
  c: Pick<Construction, 'strings' | 'perCourse' | 'bridge'>,
  readings: ReadonlyMap<string, R>,
  stale: ReadonlySet<string> = new Set(),
): ReadonlyMap<string, R> {
  if (c.perCourse === 1) return readings;
  const judged = new Map(readings);
  for (const [key, r] of readings) {
    const partners = partnersOf(c, r);
    if (partners.length === 0 || stale.has(key)) continue;
    const all = [r, ...partners.flatMap((k) => (stale.has(k) ? [] : (readings.get(k) ?? [])))];
    const value = all.reduce((s, x) => s + x.value, 0) / all.length;
    const sure = all.flatMap((x) => x.uncertainty ?? []);
    const one = { ...r, value, ...(sure.length > 0 && { uncertainty: Math.max(...sure) }) };
    judged.set(key, one);
    if (r.quantity !== 'action') continue;
    for (const [i, k] of partners.entries()) {
      const string = stringsOfCourse(c, r.string).filter((n) => n !== r.string)[i];
      if (string !== undefined && (stale.has(k) || !readings.has(k)))
        judged.set(k, { ...one, key: k, string });
    }
  }
  return judged;
}

/** Further apart than this no contact serves both strings of a course, cents: the usual band on both sides of their mean. */
const SERVED = 4;

/**
 * Courses whose strings are further apart in pitch than one contact can serve, a sentence each.
 * @param stale keys that do not count
 */
export function sayCoursesApart(
  c: Pick<Construction, 'strings' | 'perCourse' | 'bridge'>,
  readings: ReadonlyMap<string, CourseReading>,
  stale: ReadonlySet<string> = new Set(),
): readonly string[] {
  const values = new Map<number, number[]>();
  for (const [key, r] of readings) {
    if (r.quantity !== 'intonation' || stale.has(key) || partnersOf(c, r).length === 0) continue;
    const course = Math.ceil(r.string / c.perCourse);
    values.set(course, [...(values.get(course) ?? []), r.value]);
  }
  return [...values]
    .map(([course, all]) => ({ course, apart: Math.max(...all) - Math.min(...all) }))
    .filter((x) => x.apart > SERVED)
    .sort((a, b) => b.course - a.course)
    .map(
      ({ course, apart }) =>
        `The strings of course ${course} are ${Math.round(apart)} cents apart at the 12th: one contact serves their mean. Is each to have its own notch?`,
    );
}
