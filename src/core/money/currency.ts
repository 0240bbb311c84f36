import { fail, ok, type Result } from '../result.ts';
import type { Minor } from './minor.ts';

/**
 * How a shop writes money, in one text: a currency’s code after ISO 4217 and, after a space, whose number form it follows
 * (BCP 47): `EUR de-DE`, `JPY ja-JP`, `KWD`. What was sealed before there were codes has a sign of up to four letters instead
 * and two decimals.
 */
export type MoneyForm = string;

/** The currency of a shop that has named none: the general sign ¤, two decimals. */
export const NO_CURRENCY = 'XXX';
const USUAL_NUMBERS = 'en-GB';
const CODE = /^[A-Z]{3}$/;

interface Form {
  readonly decimals: number;
  readonly decimal: string;
  readonly group: string;
  /** how many digits a group in the middle has, as a pattern: 3, in India 2 */
  readonly middle: string;
  readonly say: (units: number) => string;
}

const forms = new Map<MoneyForm, Form>();

/** Narrow spaces and wide signs become ordinary ones: fonts on paper have those. */
const plain = (text: string): string => text.replace(/\u202f/g, '\u00a0').replace(/\uffe5/g, '¥');

function formOf(money: MoneyForm): Form {
  const known = forms.get(money);
  if (known) return known;
  const [code = '', numbers = USUAL_NUMBERS] = money.split(' ');
  const own = CODE.test(code) ? (code === NO_CURRENCY ? '¤' : null) : code;
  // A sign of one's own stands where that of any currency with two decimals would: browsers name the general one differently.
  const format = new Intl.NumberFormat(numbers, {
    style: 'currency',
    currency: own === null ? code : 'USD',
    currencyDisplay: 'narrowSymbol',
  });
  const part = (of: number, type: Intl.NumberFormatPartTypes): string =>
    format.formatToParts(of).find((p) => p.type === type)?.value ?? '';
  const form: Form = {
    decimals: format.resolvedOptions().maximumFractionDigits ?? 2,
    decimal: part(1.5, 'decimal') || '.',
    group: plain(part(1_234_567, 'group')),
    middle: format
      .formatToParts(12_345_678)
      .some((p) => p.type === 'integer' && p.value.length === 2 && p.value !== '12')
      ? '2'
      : '3',
    say: (units) =>
      plain(
        format
          .formatToParts(units)
          .map((p) => (p.type === 'currency' && own !== null ? own : p.value))
          .join(''),
      ),
  };
  forms.set(money, form);
  return form;
}

/** How many decimals a currency has: 2 for euros, 0 for yen, 3 for Kuwaiti dinars. */
export const decimalsOf = (money: MoneyForm): number => formOf(money).decimals;

/** How many minor units one of it has: 100, 1, 1000. */
export const minorPerUnit = (money: MoneyForm): number => 10 ** decimalsOf(money);

/**
 * Says an amount of minor units in the shop’s money.
 * @example formatMoney(4500, 'EUR de-DE') → `45,00 €`
 */
export const formatMoney = (amount: Minor, money: MoneyForm): string => {
  const { decimals, say } = formOf(money);
  const said = say(Math.abs(amount) / 10 ** decimals);
  return amount < 0 ? `\u2212${said}` : said;
};

/** The sign or code amounts carry: `€`, `¥`, `¤`. */
export const signOf = (money: MoneyForm): string => formatMoney(0, money).replace(/[\d.,'’٫٬\s\u00a0]/g, '');

/**
 * Says an amount as it is typed: without its sign and without groups.
 * @example sayAmount(123450, 'EUR de-DE') → `1234,50`
 */
export function sayAmount(amount: Minor, money: MoneyForm): string {
  const { decimals, decimal } = formOf(money);
  return (amount / 10 ** decimals).toFixed(decimals).replace('.', decimal);
}

const example = ({ decimals, decimal }: Form): string =>
  decimals === 0 ? '1200' : `120 or 89${decimal}${'50'.padEnd(decimals, '0')}`;

const MOST_DIGITS = 9;

/**
 * Reads an amount as it is typed, in minor units; null where nothing is typed. It reads the shop’s way of writing, with or
 * without groups and the sign, and the other decimal mark where it can mean nothing else.
 * @example readAmount('1.234,5', 'EUR de-DE') → 123450
 */
export function readAmount(text: string, money: MoneyForm): Result<Minor | null, string> {
  const form = formOf(money);
  const { decimals, decimal, group } = form;
  const bare = plain(text)
    .replace(signOf(money), '')
    .replace(/^\s+|\s+$/g, '')
    .replace(/^[A-Z]{3}\s*/, '');
  if (bare === '') return ok(null);
  const wrong = fail(`Write an amount like ${example(form)}.`);
  const between = `[${group === '' ? '' : `\\${group}`}\u00a0 ']`;
  const grouped = new RegExp(`^\\d{1,3}(?:${between}\\d{${form.middle}})*${between}\\d{3}(?=$|[.,])`);
  const groups = grouped.exec(bare)?.[0];
  const whole = groups ?? /^\d*/.exec(bare)?.[0] ?? '';
  const rest = bare.slice(whole.length);
  const digits = whole.replace(/\D/g, '');
  if (digits === '' || digits.length + decimals > MOST_DIGITS) return wrong;
  if (rest === '') return ok(Number(digits) * 10 ** decimals);
  const [, mark = '', part = ''] = /^([.,])(\d*)$/.exec(rest) ?? [];
  // After groups the mark must be the shop's own; otherwise either is one, as long as it cannot be a group.
  const fits =
    mark !== '' && part !== '' && part.length <= decimals && (groups === undefined || mark === decimal);
  const couldBeGroup = mark === group && part.length === 3;
  if (!fits || couldBeGroup) return wrong;
  return ok(Number(digits) * 10 ** decimals + Number(part.padEnd(decimals, '0')));
}
