import type { ShopInfo } from '../../core/job/shop.ts';
import { readAmount, sayAmount, signOf, type MoneyForm } from '../../core/money/currency.ts';
import { readPercent, sayPercent } from './percent.ts';

/** One rate of tax as it is typed. */
export interface RateText {
  readonly id: string;
  readonly name: string;
  readonly percent: string;
}

/** The shop as it is typed: amounts and shares stay text until they are read. */
export type ShopTexts = Pick<
  ShopInfo,
  | 'name'
  | 'address'
  | 'phone'
  | 'email'
  | 'web'
  | 'foot'
  | 'zone'
  | 'dates'
  | 'firstWeekday'
  | 'heights'
  | 'paper'
> & {
  /** a currency’s three letters, or a sign */
  readonly code: string;
  /** whose number form money follows */
  readonly numbers: string;
  readonly rates: readonly RateText[];
  readonly labour: string;
  readonly parts: string;
  readonly included: boolean;
  readonly roundTo: string;
  readonly hourly: string;
  readonly minimum: string;
  readonly firstNumber: string;
} & Readonly<Record<string, unknown>>;

/** Number forms offered, each with what it makes of an amount. */
export const NUMBER_FORMS = ['en-GB', 'de-DE', 'fr-FR', 'de-CH', 'en-IN'] as const;
const USUAL = NUMBER_FORMS[0];

const CODED = /^[A-Z]{3}$/;

/** How money is written with what is typed. */
export const moneyOf = ({ code, numbers }: Pick<ShopTexts, 'code' | 'numbers'>): MoneyForm =>
  CODED.test(code.trim()) ? `${code.trim()} ${numbers}` : code.trim();

/** What stands there now, as it would be typed. */
export function shopTexts({ currency, tax, hourly, minimum, firstNumber, ...rest }: ShopInfo): ShopTexts {
  const [code = '', numbers = USUAL] = currency.split(' ');
  return {
    ...rest,
    code,
    numbers,
    rates: tax.rates.map(({ id, name, rate }) => ({ id, name, percent: sayPercent(rate) })),
    labour: tax.labour,
    parts: tax.parts,
    included: tax.included,
    roundTo: tax.roundTo === 1 ? '' : sayAmount(tax.roundTo, currency),
    hourly: hourly === null ? '' : sayAmount(hourly, currency),
    minimum: minimum === 0 ? '' : sayAmount(minimum, currency),
    firstNumber: String(firstNumber),
  };
}

/** What is typed as the house keeps it, or what is wrong by field. */
export function readShop(t: ShopTexts): {
  readonly shop: ShopInfo;
  readonly wrong: Readonly<Record<string, string>>;
} {
  const { rates, labour, parts, included, firstNumber } = t;
  const currency = moneyOf(t);
  const wrong: Record<string, string> = {};
  const amount = (key: 'roundTo' | 'hourly' | 'minimum'): number | null => {
    const read = currency === '' ? null : readAmount(t[key], currency);
    if (read?.ok) return read.value;
    wrong[key] = read === null ? 'Name the currency first' : read.error;
    return null;
  };
  if (!/^[1-9]\d{0,5}$/.test(firstNumber.trim())) wrong['firstNumber'] = 'A whole number, 1 or more';
  const read = rates.map((r, i) => {
    const rate = readPercent(r.percent);
    if (rate === null) wrong[`rate.${i}`] = 'A percentage, 0 to 100';
    return { id: r.id, name: r.name.trim(), rate: rate ?? 0 };
  });
  const shop = {
    name: t.name,
    address: t.address,
    phone: t.phone,
    email: t.email,
    web: t.web,
    foot: t.foot,
    zone: t.zone.trim(),
    dates: t.dates,
    firstWeekday: t.firstWeekday,
    heights: t.heights,
    paper: t.paper,
    currency,
    tax: { rates: read, labour, parts, included, roundTo: amount('roundTo') ?? 1 },
    hourly: amount('hourly'),
    minimum: amount('minimum') ?? 0,
    firstNumber: Number(firstNumber.trim()) || 1,
  };
  return { shop, wrong };
}

/** A rate’s id that none has yet. */
export const freeRate = (rates: readonly RateText[]): string => {
  const used = new Set(rates.map((r) => r.id));
  for (let n = rates.length + 1; ; n++) if (!used.has(`rate-${n}`)) return `rate-${n}`;
};

/** The sign beside a field of money, nothing until there is one. */
export const signOrNone = (money: MoneyForm): string => (money === '' ? '' : `, ${signOf(money)}`);
