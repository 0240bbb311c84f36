/** An amount in minor units (cents): a whole number, never a fraction. */
export type Minor = number;

export interface PricedLine {
  readonly price: Minor;
  readonly parts: Minor;
}

/** Rounds half away from zero to a whole minor unit, the shop's rule for tax. `roundMinor(2.5)` → 3. */
export const roundMinor = (n: number): Minor => Math.sign(n) * Math.round(Math.abs(n));

/**
 * Totals of a work order: labour, parts, tax on the sum (rounded once, at the end) and what is to pay.
 * @param taxRate share, 0.2 for a fifth
 * @example total([{price: 4500, parts: 1200}], 0.2) → tax 1140, toPay 6840
 */
export function total(lines: readonly PricedLine[], taxRate: number) {
  const labour = lines.reduce((sum, l) => sum + l.price, 0);
  const parts = lines.reduce((sum, l) => sum + l.parts, 0);
  const tax = roundMinor((labour + parts) * taxRate);
  return { labour, parts, tax, toPay: labour + parts + tax };
}

/** Says an amount with two decimals and the shop's currency sign. `formatMoney(4500, '¤')` → '¤45.00'. */
export const formatMoney = (amount: Minor, sign: string): string =>
  `${amount < 0 ? '\u2212' : ''}${sign}${(Math.abs(amount) / 100).toFixed(2)}`;
