import { ALWAYS, openDay, type Opening } from '../days/opening.ts';
import { addDays, dayIn, type Day } from '../days/zone.ts';
import type { Minor } from '../money/minor.ts';

/** How a shop hands over. Amounts in minor units. */
export interface HandOverRules {
  /** whether a second person signs the bench check */
  readonly second: 'never' | 'worth' | 'always';
  /** from which worth on, where it hangs on the worth */
  readonly secondFrom: Minor;
  /** days after the signature in which a tweak costs nothing */
  readonly tweakDays: number;
  /** weeks until the next check is offered */
  readonly checkWeeks: number;
  /** days a customer's link opens */
  readonly linkDays: number;
  /** how often somebody is told that it is ready before it may count as never collected */
  readonly reminders: number;
}

export const USUAL_RULES: HandOverRules = {
  second: 'worth',
  secondFrom: 2_000_00,
  tweakDays: 30,
  checkWeeks: 3,
  linkDays: 14,
  reminders: 3,
};

/** Whether a second person checks an instrument of this worth (minor units; null where nobody has said). */
export const needsSecond = (rules: HandOverRules, worth: Minor | null): boolean =>
  rules.second === 'always' || (rules.second === 'worth' && worth !== null && worth >= rules.secondFrom);

const DAY_MS = 86_400_000;

/** Whether a tweak is without a new charge: asked for inside the shop's window after the signature. Moments in ms. */
export const tweakIsFree = (rules: HandOverRules, signedAt: number, now: number): boolean =>
  now - signedAt <= rules.tweakDays * DAY_MS;

/**
 * The day the next check is offered for: some weeks after the shop's day at a moment (ms), the next open day from then on.
 * @example nextCheckDay({ ...USUAL_RULES, checkWeeks: 2 }, Date.UTC(2026, 10, 1), 'UTC') → 2026-11-15
 */
export const nextCheckDay = (
  rules: HandOverRules,
  now: number,
  zone: string,
  opening: Opening = ALWAYS,
): Day => {
  const day = addDays(dayIn(now, zone), rules.checkWeeks * 7);
  return openDay(opening, day) ?? day;
};
