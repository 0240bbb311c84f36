import type { LearnedNumber } from './response.ts';
import { atMoment, isSeason, type At, type Season } from './season.ts';

/** What something will probably read, with one standard deviation, and by what that is said. */
export interface Forecast {
  /** ms since the epoch */
  readonly at: number;
  readonly value: number;
  readonly sd: number;
  readonly by:
    | { readonly kind: 'air'; readonly humidity: number }
    /** its own year, as it moved between visits */
    | { readonly kind: 'year' };
}

/** What a neck goes on moving by itself, mm, beside the air. */
const BESIDE = 0.02;
const HUMIDITY = 10;

/**
 * What the relief will read at a moment, from how it was left: by the air that is usual then and what this neck does for it; else by
 * its own year where it has one. Null where neither is known.
 * @param left as it was left, with the air of that day where it was read
 * @param air relief for 10 % more humidity
 * @param house the air of the shop over the year
 * @param year of the neck itself, as it moved between visits
 */
export function reliefForecast(
  left: At & { readonly humidity: number | null },
  at: number,
  air: LearnedNumber,
  house: Season | null,
  year: Season | null,
): Forecast | null {
  if (left.humidity !== null && isSeason(house)) {
    const humidity = atMoment(house, at);
    const steps = (humidity - left.humidity) / HUMIDITY;
    const sd = Math.hypot(steps * air.sd, (air.value * house.sd) / HUMIDITY, BESIDE);
    return { at, value: left.value + air.value * steps, sd, by: { kind: 'air', humidity } };
  }
  if (!isSeason(year)) return null;
  const by = atMoment(year, at) - atMoment(year, left.at);
  return { at, value: left.value + by, sd: Math.hypot(year.sd, BESIDE), by: { kind: 'year' } };
}

/** The middle of the next month of that number (1 to 12) after a moment. */
export function nextMonth(after: number, month: number): number {
  const year = new Date(after).getUTCFullYear();
  const here = Date.UTC(year, month - 1, 15);
  return here > after ? here : Date.UTC(year + 1, month - 1, 15);
}

/** Looked ahead so far, in steps. */
const AHEAD_MS = 120 * 86_400_000;
const STEP_MS = 10 * 86_400_000;
/** Four of five lie on one side of a value less so many standard deviations. */
const FOUR_OF_FIVE = 0.84;

/**
 * The first time in the next four months at which something has probably left its band, by four chances in five; null where it
 * stays in it, or nobody can tell.
 */
export function leavesBand(
  forecast: (at: number) => Forecast | null,
  { low, high }: { readonly low: number; readonly high: number },
  now: number,
): Forecast | null {
  for (let at = now; at <= now + AHEAD_MS; at += STEP_MS) {
    const f = forecast(at);
    if (f && (f.value - high > FOUR_OF_FIVE * f.sd || low - f.value > FOUR_OF_FIVE * f.sd)) return f;
  }
  return null;
}
