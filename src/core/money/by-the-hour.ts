import { roundMinor, type Minor } from './minor.ts';

/**
 * Labour by the hour: minutes at an hour's price, at least what the shop charges at least. Minor units.
 * @example byTheHour(70, 6000, 2000) → 7000
 */
export const byTheHour = (minutes: number, hourly: Minor, minimum: Minor): Minor =>
  Math.max(minimum, roundMinor((minutes * hourly) / 60));
