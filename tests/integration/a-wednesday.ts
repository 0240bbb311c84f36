import { addDays, dayIn, type Day } from '../../src/core/days/zone.ts';

const SOON_MS = 3 * 86_400_000;
const soon = dayIn(Date.now() + SOON_MS, 'UTC');
const FIRST = addDays(soon, (3 - new Date(`${soon}T00:00:00Z`).getUTCDay() + 7) % 7);

/** A day so many days after a Wednesday that is not far away. */
export const wednesdayAnd = (days: number): Day => addDays(FIRST, days);

/** A moment on such a day, UTC. */
export const momentOn = (days: number, time: string): Date => new Date(`${wednesdayAnd(days)}T${time}:00Z`);

/** The morning of that Wednesday. */
export const WEDNESDAY = momentOn(0, '09:00');
