import { readAmount, sayAmount, type MoneyForm } from '../../core/money/currency.ts';
import { sayFact } from '../../core/stock/read-facts.ts';
import { sortOf, type SortId } from '../../core/stock/sorts.ts';
import type { CommandInput } from '../../contracts/commands/commands.ts';
import type { ShelfItem } from '../../server/stores/load-stores.ts';

/** An item as it is typed. */
export interface TypedItem {
  readonly [field: string]: unknown;
  readonly sort: SortId;
  readonly name: string;
  readonly facts: Readonly<Record<string, string>>;
  readonly place: string;
  readonly supplier: string;
  readonly code: string;
  readonly least: string;
  readonly usual: string;
  readonly cost: string;
  readonly price: string;
  /** a rate of the shop; empty for the usual one of parts */
  readonly tax: string;
  readonly retired: boolean;
}

const many = (n: number): string => (n === 0 ? '' : String(n));
const money = (amount: number | null, form: MoneyForm): string =>
  amount === null ? '' : sayAmount(amount, form);

/** An item of the house as a form shows it. */
export const typedItem = (item: ShelfItem, form: MoneyForm): TypedItem => ({
  sort: item.sort,
  name: item.name,
  facts: Object.fromEntries(
    Object.entries(sortOf(item.sort).facts).map(([id, f]) => [id, sayFact(f.type, item.facts[id])]),
  ),
  place: item.place,
  supplier: item.supplier,
  code: item.code,
  least: many(item.least),
  usual: many(item.usual),
  cost: money(item.cost, form),
  price: money(item.price, form),
  tax: item.tax ?? '',
  retired: item.retired,
});

/** A new item of a sort. */
export const newItem = (sort: SortId): TypedItem => ({
  sort,
  name: '',
  facts: {},
  place: '',
  supplier: '',
  code: '',
  least: '',
  usual: '',
  cost: '',
  price: '',
  tax: '',
  retired: false,
});

/** How many, as it is typed: with a point or a comma; empty is none. NaN where it is no number. */
export function readMany(text: string): number {
  const plain = text.trim().replace(',', '.');
  return plain === '' ? 0 : /^\d{1,6}(?:\.\d{1,2})?$/.test(plain) ? Number(plain) : Number.NaN;
}

/** What is sent of it, or what is wrong by field. */
export function itemInput(
  typed: TypedItem,
  form: MoneyForm,
  at: { readonly itemId: number | null; readonly version: number },
):
  | { readonly ok: true; readonly value: CommandInput<'stores.save-item'> }
  | { readonly ok: false; readonly error: Readonly<Record<string, string>> } {
  const [least, usual] = [readMany(typed.least), readMany(typed.usual)];
  const [cost, price] = [readAmount(typed.cost, form), readAmount(typed.price, form)];
  const wrong = {
    ...(Number.isNaN(least) && { least: 'A number, like 2 or 2.5' }),
    ...(Number.isNaN(usual) && { usual: 'A number, like 2 or 2.5' }),
    ...(!cost.ok && { cost: cost.error }),
    ...(!price.ok && { price: price.error }),
  };
  if (!cost.ok || !price.ok || Object.keys(wrong).length > 0) return { ok: false, error: wrong };
  const { sort, name, facts, place, supplier, code, retired } = typed;
  const tax = typed.tax === '' ? null : typed.tax;
  const said = { sort, name, facts: { ...facts }, place, supplier, code, tax, retired };
  return { ok: true, value: { ...said, ...at, least, usual, cost: cost.value, price: price.value } };
}
