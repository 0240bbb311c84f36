import { roundMinor, type Minor } from './minor.ts';
import { rateOf, roundToPay, shareOut, taxOn, type Taxing, type TaxRate } from './tax.ts';

export interface PricedLine {
  readonly price: Minor;
  readonly parts: Minor;
  /** the rates of tax it has, where they are not the shop’s usual ones */
  readonly tax?: string | null | undefined;
  readonly partsTax?: string | null | undefined;
}

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

/** What of a bill one rate of tax comes to, minor units. */
export interface TaxShare {
  readonly name: string;
  readonly rate: number;
  /** what it is on, less its share of the discount; with the tax in it where prices have it */
  readonly on: Minor;
  readonly tax: Minor;
}

/** What each rate of tax is on, in the order of the shop’s rates; labour and parts of a line each at their own. */
function amountsByRate(lines: readonly PricedLine[], taxing: Taxing): readonly (readonly [TaxRate, Minor])[] {
  const on = new Map<TaxRate, Minor>();
  const add = (id: string | null | undefined, usual: string, amount: Minor): void => {
    const rate = rateOf(taxing, id ?? usual);
    on.set(rate, (on.get(rate) ?? 0) + amount);
  };
  for (const l of lines) {
    add(l.tax, taxing.labour, l.price);
    add(l.partsTax, taxing.parts, l.parts);
  }
  if (on.size === 0) on.set(rateOf(taxing, taxing.labour), 0);
  return [...on].filter(([, amount], i) => amount !== 0 || i === 0);
}

/**
 * Totals of a work order: labour and parts, less the discount (shared out over the rates), and the tax of each rate on what is
 * left, rounded once a rate; then what is to pay, rounded as the shop rounds. Minor units.
 * @example total([{price: 4500, parts: 1200}], plainTax(0.2)) → tax 1140, toPay 6840
 */
export function total(lines: readonly PricedLine[], taxing: Taxing, discount: Discount = NO_DISCOUNT) {
  const labour = lines.reduce((sum, l) => sum + l.price, 0);
  const parts = lines.reduce((sum, l) => sum + l.parts, 0);
  const off = discountOn(labour + parts, discount);
  const by = amountsByRate(lines, taxing);
  const offs = shareOut(
    off,
    by.map(([, amount]) => amount),
  );
  const taxes: TaxShare[] = by.map(([{ name, rate }, amount], i) => {
    const on = amount - (offs[i] ?? 0);
    return { name, rate, on, tax: taxOn(on, rate, taxing.included) };
  });
  const tax = taxes.reduce((sum, t) => sum + t.tax, 0);
  const exact = labour + parts - off + (taxing.included ? 0 : tax);
  const toPay = roundToPay(exact, taxing.roundTo);
  return {
    labour,
    parts,
    discount: off,
    taxes,
    tax,
    included: taxing.included,
    rounding: toPay - exact,
    toPay,
  };
}

/** A line whose hands-on time may turn out otherwise: minutes low, likely and high. */
export interface RangedLine extends PricedLine {
  readonly minutes: { readonly low: number; readonly likely: number; readonly high: number };
  /** done: its price stands */
  readonly settled: boolean;
}

/** What a work order may come to: labour of what is not done yet follows its minutes, parts do not. */
export function totalRange(lines: readonly RangedLine[], taxing: Taxing, discount: Discount = NO_DISCOUNT) {
  const at = (k: 'low' | 'high'): Minor =>
    total(
      lines.map((l) => ({
        ...l,
        price:
          l.settled || l.minutes.likely === 0
            ? l.price
            : roundMinor((l.price * l.minutes[k]) / l.minutes.likely),
      })),
      taxing,
      discount,
    ).toPay;
  return { low: at('low'), high: at('high') };
}
