import { csv } from '../../contracts/formats/customers.ts';
import { minorPerUnit, type MoneyForm } from '../../core/money/currency.ts';
import { sayFacts } from '../../core/stock/read-facts.ts';
import { shortLists } from '../../core/stock/short.ts';
import { SORTS } from '../../core/stock/sorts.ts';
import type { ShelfItem } from './load-stores.ts';

const amount = (n: number | null, money: MoneyForm): string =>
  n === null ? '' : String(n / minorPerUnit(money));

/** Everything on the shelves as CSV (RFC 4180), lengths and amounts as plain numbers. */
export const stockCsv = (items: readonly ShelfItem[], money: MoneyForm): string =>
  csv(
    [
      'sort',
      'name',
      'facts',
      'place',
      'supplier',
      'code',
      'unit',
      'there',
      'free',
      'least',
      'usual',
      'cost',
      'price',
    ],
    items
      .filter((i) => !i.retired)
      .map((i) => [
        SORTS[i.sort].name,
        i.name,
        sayFacts(i.sort, i.facts),
        i.place,
        i.supplier,
        i.code,
        SORTS[i.sort].unit[0],
        String(i.onHand),
        String(i.free),
        String(i.least),
        String(i.usual),
        amount(i.cost, money),
        amount(i.price, money),
      ]),
  );

/** What is short at a supplier as CSV: what an order says. */
export const shortCsv = (items: readonly ShelfItem[], supplier: string, money: MoneyForm): string =>
  csv(
    ['code', 'name', 'facts', 'how many', 'unit', 'cost of one'],
    shortLists(items)
      .filter((l) => l.supplier === supplier)
      .flatMap((l) => l.rows)
      .map(({ item: i, order }) => [
        i.code,
        i.name,
        sayFacts(i.sort, i.facts),
        String(order),
        SORTS[i.sort].unit[0],
        amount(i.cost, money),
      ]),
  );
