import { roundMinor, type Minor } from './minor.ts';

/** One rate of tax: 0.2 for a fifth. Its id never changes; its name is what papers say. */
export interface TaxRate {
  readonly id: string;
  readonly name: string;
  readonly rate: number;
}

/** How a shop takes tax. */
export interface Taxing {
  /** at least one */
  readonly rates: readonly TaxRate[];
  /** which of them labour and parts have where a line says nothing else */
  readonly labour: string;
  readonly parts: string;
  /** whether prices have their tax in them already */
  readonly included: boolean;
  /** what is to pay is rounded to a multiple of this, minor units: 5 where there are no smaller coins; 1 for none */
  readonly roundTo: Minor;
}

/** One rate on everything, on top of prices, nothing rounded. */
export const plainTax = (rate: number): Taxing => ({
  rates: [{ id: 'usual', name: 'Tax', rate }],
  labour: 'usual',
  parts: 'usual',
  included: false,
  roundTo: 1,
});

/** The rate of an id; the first one for one that is not there any more. */
export const rateOf = (t: Taxing, id: string): TaxRate =>
  t.rates.find((r) => r.id === id) ?? t.rates[0] ?? { id: '', name: 'Tax', rate: 0 };

/** What of an amount is tax, minor units: on top of it, or in it already. */
export const taxOn = (amount: Minor, rate: number, included: boolean): Minor =>
  roundMinor(included ? amount - amount / (1 + rate) : amount * rate);

/** An amount of labour as the customer pays it: with its tax. */
export const withTax = (amount: Minor, t: Taxing): Minor =>
  t.included ? amount : amount + taxOn(amount, rateOf(t, t.labour).rate, false);

/** To the nearest multiple of what the shop rounds to, half away from zero. */
export const roundToPay = (amount: Minor, roundTo: Minor): Minor =>
  roundTo <= 1 ? amount : roundMinor(amount / roundTo) * roundTo;

/**
 * Shares something out in proportion, in whole minor units that come to it exactly: what is over goes to the largest rests.
 * @example shareOut(100, [1, 1, 1]) → [34, 33, 33]
 */
export function shareOut(amount: Minor, weights: readonly number[]): Minor[] {
  const all = weights.reduce((s, w) => s + w, 0);
  if (all <= 0) return weights.map((_, i) => (i === 0 ? amount : 0));
  const exact = weights.map((w) => (amount * w) / all);
  const shares = exact.map(Math.floor);
  const over = amount - shares.reduce((s, v) => s + v, 0);
  const byRest = exact
    .map((v, i) => ({ i, rest: v - Math.floor(v) }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i);
  for (const { i } of byRest.slice(0, over)) shares[i] = (shares[i] ?? 0) + 1;
  return shares;
}
