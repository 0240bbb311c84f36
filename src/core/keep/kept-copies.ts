import { dayIn, daysBetween, type Day } from '../days/zone.ts';

/** How many copies of the record stay: the newest of so many days, weeks and months that have one. */
export interface CopiesKept {
  readonly daily: number;
  readonly weekly: number;
  readonly monthly: number;
}

export const USUAL_COPIES: CopiesKept = { daily: 7, weekly: 5, monthly: 12 };

/** What was made a short while ago was made for a reason. */
const ALL_OF_THE_LAST_MS = 24 * 3_600_000;

/** A Monday: weeks are counted from it. */
const A_MONDAY: Day = '2024-01-01';
const weekOf = (day: Day): string => String(Math.floor(daysBetween(A_MONDAY, day) / 7));

/** The newest of each group, of so many groups, newest first. */
function newestOfEach(
  newestFirst: readonly number[],
  groupOf: (at: number) => string,
  groups: number,
): readonly number[] {
  const newest = new Map<string, number>();
  for (const at of newestFirst) if (!newest.has(groupOf(at))) newest.set(groupOf(at), at);
  return [...newest.values()].slice(0, Math.max(0, groups));
}

/**
 * Which copies stay when a new one was made: all of the last 24 hours, and the newest of each of the last days, weeks and
 * months that have one.
 * @param taken when each copy was made, ms since 1970
 * @param kept how many days, weeks and months
 * @param zone the shop's time zone: its days begin there
 * @returns those that stay, ms since 1970
 * @example whichStay([0, 3600000, 172800000], { daily: 2, weekly: 0, monthly: 0 }, 'UTC').size → 2
 */
export function whichStay(taken: readonly number[], kept: CopiesKept, zone: string): ReadonlySet<number> {
  const newestFirst = [...taken].sort((a, b) => b - a);
  const day = (at: number): Day => dayIn(at, zone);
  return new Set([
    ...newestFirst.filter((at) => at >= (newestFirst[0] ?? 0) - ALL_OF_THE_LAST_MS),
    ...newestOfEach(newestFirst, day, kept.daily),
    ...newestOfEach(newestFirst, (at) => weekOf(day(at)), kept.weekly),
    ...newestOfEach(newestFirst, (at) => day(at).slice(0, 7), kept.monthly),
  ]);
}
