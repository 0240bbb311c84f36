import type { TaxShare } from '../money/money.ts';
import type { Minor } from '../money/minor.ts';
import { QUANTITY_FACTS, type Quantity } from '../readings/quantities.ts';
import { formatLength } from '../units/format-length.ts';
import { formatCents } from '../units/parse-cents.ts';

/** A reading before and after, mm or cents; null where it was not taken. */
export interface BeforeAfterReading {
  readonly label: string;
  readonly quantity: Quantity;
  readonly string: number;
  readonly fret: number;
  readonly before: number | null;
  readonly after: number | null;
}

/** Everything the customer is shown, puts their name to, and takes home. Money in minor units. */
export interface CustomerSheet {
  readonly shop: string;
  readonly currency: string;
  readonly job: number;
  readonly customer: string;
  readonly instrument: string;
  readonly serial: string;
  readonly takenIn: string;
  readonly complaint: string;
  readonly wish: string;
  readonly found: readonly string[];
  readonly done: readonly { readonly title: string; readonly detail: string; readonly price: Minor }[];
  /** agreed and not finished yet, as long as there is some */
  readonly todo?: CustomerSheet['done'];
  readonly left: readonly string[];
  /** the change in plain words, a sentence each */
  readonly change: readonly string[];
  readonly readings: readonly BeforeAfterReading[];
  /** digests of the photos shown */
  readonly photos: readonly string[];
  readonly accidents: readonly { readonly happened: string; readonly remedy: string }[];
  readonly things: readonly string[];
  /** how it ends, where the work was not simply done */
  readonly end?: string;
  /** what of the checklist nobody looked at, a line a group */
  readonly notLookedAt?: readonly string[];
  readonly exception: string;
  readonly checked: readonly string[];
  readonly price: {
    readonly labour: Minor;
    readonly parts: Minor;
    readonly discount: Minor;
    readonly reason: string;
    readonly tax: Minor;
    /** by rate; sheets of before there were several have none */
    readonly taxes?: readonly TaxShare[];
    readonly included?: boolean;
    readonly rounding?: Minor;
    readonly toPay: Minor;
    /** what was estimated before it was opened */
    readonly estimate: Minor;
  };
  readonly advice: readonly string[];
  readonly nextCheck: string | null;
}

const SAME: Readonly<Partial<Record<Quantity, number>>> = {
  relief: 0.02,
  action: 0.05,
  'nut-gap': 0.02,
  intonation: 1,
};
const WORDS: Readonly<Partial<Record<Quantity, readonly [what: string, less: string, more: string]>>> = {
  relief: ['The neck is', 'straighter', 'given a little more bow'],
  action: ['The strings stand', 'lower', 'higher'],
  'nut-gap': ['At the first fret the strings press down', 'more easily', 'a little harder'],
};

const mean = (some: readonly number[]): number => some.reduce((sum, v) => sum + v, 0) / some.length;

const said = (value: number, quantity: Quantity): string =>
  quantity === 'action'
    ? `${formatLength(value, '64ths')} (${formatLength(value, 'mm')})`
    : `${formatLength(value, 'thou')} (${formatLength(value, 'mm')})`;

function heights(quantity: Quantity, both: readonly { before: number; after: number }[]): string | null {
  const words = WORDS[quantity];
  if (!words || both.length === 0) return null;
  const [before, after] = [mean(both.map((b) => b.before)), mean(both.map((b) => b.after))];
  const same = SAME[quantity] ?? 0;
  if (Math.abs(after - before) < same) return null;
  const [what, less, more] = words;
  const where = quantity === 'action' ? ' on average' : '';
  return `${what} ${after < before ? less : more}: ${said(after, quantity)}${where} instead of ${said(before, quantity)}.`;
}

function tune(both: readonly { before: number; after: number }[]): string | null {
  if (both.length === 0) return null;
  const worst = (some: readonly number[]) => Math.max(...some.map(Math.abs));
  const [before, after] = [worst(both.map((b) => b.before)), worst(both.map((b) => b.after))];
  if (before - after < (SAME.intonation ?? 0)) return null;
  const off = (cents: number): string => formatCents(cents).replace(/^[+\u2212]/, '');
  return `It plays better in tune up the neck: at most ${off(after)} ${off(after) === '1' ? 'cent' : 'cents'} off instead of ${off(before)}.`;
}

/**
 * What changed, in plain words: only what was read before and after, and only where the difference can be told.
 * @example an action of 2.78 and then 1.98 mm → `The strings stand lower: 5/64 (1.98 mm) on average instead of 7/64 (2.78 mm).`
 */
export function sayWhatChanged(readings: readonly BeforeAfterReading[]): string[] {
  const both = (q: Quantity) =>
    readings.flatMap((r) =>
      r.quantity === q && r.before !== null && r.after !== null ? [{ before: r.before, after: r.after }] : [],
    );
  return [
    heights('relief', both('relief')),
    heights('action', both('action')),
    heights('nut-gap', both('nut-gap')),
    tune(both('intonation')),
  ].filter((s): s is string => s !== null);
}

/** A reading as the sheet says it, or a dash. */
export const sayReading = (value: number | null, quantity: Quantity): string =>
  value === null
    ? '–'
    : QUANTITY_FACTS[quantity].measure === 'cents'
      ? `${formatCents(value)} cents`
      : QUANTITY_FACTS[quantity].measure === 'length'
        ? said(value, quantity)
        : String(value);
