import type { TaxRate } from '../../core/money/tax.ts';
import { readAmount, type MoneyForm } from '../../core/money/currency.ts';
import { readFacts } from '../../core/stock/read-facts.ts';
import { SORTS, SORT_IDS, sortOf, type SortId } from '../../core/stock/sorts.ts';
import { columnsBy, type Sheet, type WrongRow } from './spreadsheet.ts';

/** What is known of things, whatever sort they are: a column each, called as the first sort that has it calls it. */
export const FACT_LABELS: Readonly<Record<string, string>> = Object.fromEntries(
  [...SORT_IDS]
    .reverse()
    .flatMap((id) => Object.entries(sortOf(id).facts).map(([fact, f]) => [fact, f.label])),
);

/** What a column of a list of things may hold. */
export const STOCK_FIELDS: Readonly<Record<string, string>> = {
  name: 'Name',
  sort: 'What it is',
  ...FACT_LABELS,
  place: 'Where it lies',
  supplier: 'Supplier',
  code: 'Code',
  there: 'How many are there',
  least: 'At least',
  usual: 'Usually ordered',
  cost: 'Costs',
  price: 'The customer pays',
  tax: 'Tax',
};

/** What columns are usually called, beside what they are called here. */
const USUAL: Readonly<Record<string, string>> = {
  name: 'item|article|description|product',
  sort: 'type|kind|category',
  strings: 'strings|gauges?',
  place: 'location|shelf|bin|drawer',
  supplier: 'vendor',
  code: 'sku|barcode|ean|part number|number',
  there: 'quantity|qty|stock|on hand|count',
  least: 'min|minimum|reorder.*',
  usual: 'lot|order quantity',
  cost: 'cost|purchase price|buy',
  price: 'price|sell.*|retail',
};

const plain = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`);

/** Which column of a list of things probably holds what. */
export const guessStockColumns = (head: readonly string[]): Readonly<Partial<Record<string, number>>> =>
  columnsBy(
    Object.fromEntries(
      Object.entries(STOCK_FIELDS).map(([field, label]) => [
        field,
        new RegExp(`^(?:${[field, plain(label), USUAL[field]].filter(Boolean).join('|')})$`, 'i'),
      ]),
    ),
    head,
  );

/** A thing as a list has it. Money in minor units. */
export interface StockEntry {
  readonly sort: SortId;
  readonly name: string;
  /** by fact, as they are typed */
  readonly facts: Readonly<Record<string, string>>;
  readonly place: string;
  readonly supplier: string;
  readonly code: string;
  readonly there: number;
  readonly least: number;
  readonly usual: number;
  readonly cost: number | null;
  readonly price: number | null;
  /** a rate of the shop; null for the usual one of parts */
  readonly tax: string | null;
}

/** What amounts and rates are in the shop a list is read for. */
export interface ListMoney {
  readonly money: MoneyForm;
  readonly rates: readonly TaxRate[];
}

const LONGEST: Readonly<Record<string, number>> = { name: 120, place: 60, supplier: 80, code: 60 };

/** The sort a row's word means: by its name, its id or its unit; the usual one where the row says nothing. */
function sortBy(word: string, usual: SortId): SortId | null {
  const low = word.toLowerCase();
  if (low === '') return usual;
  return SORT_IDS.find((id) => id === low || SORTS[id].name.toLowerCase() === low) ?? null;
}

/** How many, with a point or a comma; nothing said is none. NaN where it is no number. */
function howMany(text: string): number {
  const number = text.replace(',', '.');
  return number === '' ? 0 : /^\d{1,6}(?:\.\d{1,2})?$/.test(number) ? Number(number) : Number.NaN;
}

function entryOf(
  of: (field: string) => string,
  usual: SortId,
  { money, rates }: ListMoney,
): StockEntry | string {
  const name = of('name');
  if (name === '') return 'it has no name';
  const long = Object.keys(LONGEST).find((f) => of(f).length > (LONGEST[f] ?? 0));
  if (long !== undefined)
    return `${(STOCK_FIELDS[long] ?? long).toLowerCase()} is longer than ${LONGEST[long] ?? 0} characters`;
  const sort = sortBy(of('sort'), usual);
  if (sort === null) return `“${of('sort')}” is nothing the shelves know`;
  const facts = Object.fromEntries(Object.keys(sortOf(sort).facts).map((f) => [f, of(f)]));
  const read = readFacts(sort, facts);
  if (!read.ok) {
    const [[fact, why] = ['', '']] = Object.entries(read.error);
    return `${(FACT_LABELS[fact] ?? fact).toLowerCase()}: ${why}`;
  }
  const [there, least, many] = [howMany(of('there')), howMany(of('least')), howMany(of('usual'))];
  const odd = Object.entries({ there, least, usual: many }).find(([, n]) => Number.isNaN(n));
  if (odd) return `${(STOCK_FIELDS[odd[0]] ?? '').toLowerCase()}: “${of(odd[0])}” is no number`;
  const [cost, price] = [readAmount(of('cost'), money), readAmount(of('price'), money)];
  if (!cost.ok) return `costs: ${cost.error}`;
  if (!price.ok) return `the customer pays: ${price.error}`;
  const named = of('tax').toLowerCase();
  const rate = rates.find((r) => r.id.toLowerCase() === named || r.name.toLowerCase() === named);
  if (named !== '' && !rate) return `“${of('tax')}” is no rate of tax of this shop`;
  const [place, supplier, code] = [of('place'), of('supplier'), of('code')];
  return {
    sort,
    name,
    facts,
    place,
    supplier,
    code,
    there,
    least,
    usual: many,
    cost: cost.value,
    price: price.value,
    tax: rate?.id ?? null,
  };
}

/**
 * What a list of things comes to with its columns matched, and every row that does not fit, with why. Rows that fit are taken whatever
 * the others are; a code that stands twice does not fit the second time.
 * @param usual what a row is that does not say it
 */
export function stockContent(
  sheet: Sheet,
  columns: Readonly<Partial<Record<string, number>>>,
  usual: SortId,
  shop: ListMoney,
): { readonly entries: readonly StockEntry[]; readonly wrong: readonly WrongRow[] } {
  const entries: StockEntry[] = [];
  const wrong: WrongRow[] = [];
  const codes = new Set<string>();
  for (const { line, cells } of sheet.rows) {
    const entry = entryOf((f) => (columns[f] === undefined ? '' : (cells[columns[f]] ?? '')), usual, shop);
    const why =
      typeof entry === 'string'
        ? entry
        : entry.code !== '' && codes.has(entry.code)
          ? `the code ${entry.code} stands in it twice`
          : null;
    if (typeof entry === 'string' || why !== null) wrong.push({ line, why: why ?? '' });
    else {
      if (entry.code !== '') codes.add(entry.code);
      entries.push(entry);
    }
  }
  return { entries, wrong };
}
