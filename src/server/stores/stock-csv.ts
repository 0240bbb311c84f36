import { csv } from '../../contracts/formats/customers.ts';
import { FACT_LABELS, type ListMoney } from '../../contracts/formats/stock-file.ts';
import { minorPerUnit, type MoneyForm } from '../../core/money/currency.ts';
import { sayFact, sayFacts } from '../../core/stock/read-facts.ts';
import { shortLists } from '../../core/stock/short.ts';
import { SORTS, sortOf } from '../../core/stock/sorts.ts';
import type { LoadedOrder } from './load-orders.ts';
import type { ShelfItem } from './load-stores.ts';

const amount = (n: number | null, money: MoneyForm): string =>
  n === null ? '' : String(n / minorPerUnit(money));

const FACTS = Object.keys(FACT_LABELS);

/** Everything on the shelves as CSV (RFC 4180), as a list of it is read: what is known of it a column each, amounts as plain numbers. */
export const stockCsv = (items: readonly ShelfItem[], { money, rates }: ListMoney): string =>
  csv(
    [
      'name',
      'sort',
      ...FACTS,
      'place',
      'supplier',
      'code',
      'there',
      'free',
      'least',
      'usual',
      'cost',
      'price',
      'tax',
    ],
    items
      .filter((i) => !i.retired)
      .map((i) => [
        i.name,
        SORTS[i.sort].name,
        ...FACTS.map((f) => sayFact(sortOf(i.sort).facts[f]?.type ?? 'text', i.facts[f])),
        i.place,
        i.supplier,
        i.code,
        String(i.onHand),
        String(i.free),
        String(i.least),
        String(i.usual),
        amount(i.cost, money),
        amount(i.price, money),
        rates.find((r) => r.id === i.tax)?.name ?? '',
      ]),
  );

const ORDER_HEADS = ['code', 'name', 'facts', 'how many', 'unit', 'cost of one'];

/** An order as CSV. */
export const orderCsv = ({ rows }: Pick<LoadedOrder, 'rows'>, money: MoneyForm): string =>
  csv(
    ORDER_HEADS,
    rows.map((r) => [
      r.code,
      r.name,
      r.facts,
      String(r.quantity),
      SORTS[r.sort].unit[0],
      amount(r.cost, money),
    ]),
  );

/** What is short at a supplier as CSV: what an order says. */
export const shortCsv = (items: readonly ShelfItem[], supplier: string, money: MoneyForm): string =>
  csv(
    ORDER_HEADS,
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
