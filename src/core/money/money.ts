/** An amount in minor units (cents): a whole number, never a fraction. */
export type Minor = number;

export interface PricedLine {
  readonly price: Minor;
  readonly parts: Minor;
}

/** Rounds half away from zero to a whole minor unit, the shop's rule for tax. `roundMinor(2.5)` → 3. */
export const roundMinor = (n: number): Minor => Math.sign(n) * Math.round(Math.abs(n));

/** What is taken off a work order before tax: nothing, an amount in minor units, or a share in hundredths of a per cent. */
export interface Discount {
  readonly kind: 'none' | 'amount' | 'share';
  readonly value: number;
}

export const NO_DISCOUNT: Discount = { kind: 'none', value: 0 };
const WHOLE_SHARE = 10_000;

/** A discount on a sum, minor units: rounded to a whole one, and never more than there is. */
export function discountOn(sum: Minor, d: Discount): Minor {
  const off =
    d.kind === 'none' ? 0 : d.kind === 'amount' ? d.value : roundMinor((sum * d.value) / WHOLE_SHARE);
  return Math.min(Math.max(0, off), Math.max(0, sum));
}

/**
 * Totals of a work order: labour and parts, less the discount, and tax on what is left (each rounded once, at the end).
 * @param taxRate share, 0.2 for a fifth
 * @example total([{price: 4500, parts: 1200}], 0.2) → tax 1140, toPay 6840
 */
export function total(lines: readonly PricedLine[], taxRate: number, discount: Discount = NO_DISCOUNT) {
  const labour = lines.reduce((sum, l) => sum + l.price, 0);
  const parts = lines.reduce((sum, l) => sum + l.parts, 0);
  const off = discountOn(labour + parts, discount);
  const tax = roundMinor((labour + parts - off) * taxRate);
  return { labour, parts, discount: off, tax, toPay: labour + parts - off + tax };
}

/** A line whose hands-on time may turn out otherwise: minutes low, likely and high. */
export interface RangedLine extends PricedLine {
  readonly minutes: { readonly low: number; readonly likely: number; readonly high: number };
  /** done: its price stands */
  readonly settled: boolean;
}

/** What a work order may come to: labour of what is not done yet follows its minutes, parts do not. */
export function totalRange(lines: readonly RangedLine[], taxRate: number, discount: Discount = NO_DISCOUNT) {
  const at = (k: 'low' | 'high'): Minor =>
    total(
      lines.map((l) => ({
        parts: l.parts,
        price:
          l.settled || l.minutes.likely === 0
            ? l.price
            : roundMinor((l.price * l.minutes[k]) / l.minutes.likely),
      })),
      taxRate,
      discount,
    ).toPay;
  return { low: at('low'), high: at('high') };
}

/** Says an amount with two decimals and the shop's currency sign. `formatMoney(4500, '¤')` → '¤45.00'. */
export const formatMoney = (amount: Minor, sign: string): string =>
  `${amount < 0 ? '\u2212' : ''}${sign}${(Math.abs(amount) / 100).toFixed(2)}`;
