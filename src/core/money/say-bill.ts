import { formatMoney, type MoneyForm } from './currency.ts';
import type { Minor } from './minor.ts';
import type { TaxShare } from './money.ts';

/** What a bill comes to, as it is said in one sentence. */
export interface SaidBill {
  readonly labour: Minor;
  readonly parts: Minor;
  readonly discount: Minor;
  readonly tax: Minor;
  readonly taxes?: readonly TaxShare[] | undefined;
  readonly included?: boolean | undefined;
  readonly rounding?: Minor | undefined;
}

/** A rate as a bill says it: `Tax 20 %`. */
export const sayRate = (t: Pick<TaxShare, 'name' | 'rate'>): string =>
  `${t.name} ${Math.round(t.rate * 1e5) / 1e3} %`;

/**
 * Says what a bill is made of: labour, parts, what is off and why, each tax, rounding.
 * @example `Labour ¤45.00, parts ¤12.00, tax ¤11.40`
 */
export function sayBill(bill: SaidBill, reason: string, money: MoneyForm): string {
  const say = (v: Minor): string => formatMoney(v, money);
  const several = (bill.taxes?.length ?? 0) > 1;
  const taxes = several
    ? (bill.taxes ?? []).map((t) => `${sayRate(t)} ${say(t.tax)}`).join(', ')
    : `tax ${say(bill.tax)}`;
  return [
    `Labour ${say(bill.labour)}`,
    `parts ${say(bill.parts)}`,
    ...(bill.discount === 0 ? [] : [`less ${say(bill.discount)} (${reason})`]),
    bill.included ? `of it ${taxes}` : taxes,
    ...(bill.rounding ? [`rounded by ${say(bill.rounding)}`] : []),
  ].join(', ');
}
