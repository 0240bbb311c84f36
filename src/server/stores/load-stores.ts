import type { ItemFacts } from '../../core/stock/fits.ts';
import type { MoveKind } from '../../core/stock/ledger.ts';
import { comingOf, missingOf } from '../../core/stock/orders.ts';
import type { SortId } from '../../core/stock/sorts.ts';
import type { Database } from '../db/connection.ts';
import type { StockAside, StockItem } from '../db/models/stock.ts';
import type { StockWantRow } from '../db/models/orders.ts';
import { awaitedParts, openOrders } from './read-orders.ts';

/** An item as the shelves show it. Money in minor units. */
export interface ShelfItem {
  readonly id: number;
  readonly sort: SortId;
  readonly name: string;
  readonly facts: ItemFacts;
  readonly place: string;
  readonly supplier: string;
  readonly code: string;
  readonly least: number;
  readonly usual: number;
  readonly cost: number | null;
  readonly price: number | null;
  /** its own rate of tax; null for the shop’s usual one of parts */
  readonly tax: string | null;
  readonly onHand: number;
  /** how many nobody waits for */
  readonly free: number;
  /** how many jobs wait for, more than are here */
  readonly wanted: number;
  /** how many are still to come with orders, those that are only written too */
  readonly coming: number;
  readonly retired: boolean;
  readonly version: number;
}

/** Paper 320 stands before paper 1000. */
const NAMES = new Intl.Collator('en', { numeric: true });

/** Only whether an order went out is asked here, not on what day of the shop's. */
const UTC = 'UTC';

const sum = (rows: readonly { readonly quantity: string }[]): number =>
  rows.reduce((s, r) => s + Math.round(Number(r.quantity) * 100), 0) / 100;

const asShelfItem = (
  i: StockItem,
  asides: readonly StockAside[],
  wants: readonly StockWantRow[],
  coming: ReadonlyMap<number, number>,
): ShelfItem => {
  const onHand = Number(i.onHand);
  return {
    id: i.id,
    sort: i.sort,
    name: i.name,
    facts: i.facts,
    place: i.place,
    supplier: i.supplier,
    code: i.code ?? '',
    least: Number(i.least),
    usual: Number(i.usual),
    cost: i.cost === null ? null : Number(i.cost),
    price: i.price === null ? null : Number(i.price),
    tax: i.tax,
    onHand,
    free: Math.round((onHand - sum(asides)) * 100) / 100,
    wanted: sum(wants),
    coming: coming.get(i.id) ?? 0,
    retired: i.retiredAt !== null,
    version: i.version,
  };
};

function byItem<R extends { readonly itemId: number }>(rows: readonly R[]): ReadonlyMap<number, R[]> {
  const by = new Map<number, R[]>();
  for (const r of rows) by.set(r.itemId, [...(by.get(r.itemId) ?? []), r]);
  return by;
}

/** Everything that is kept, by sort and name; what is kept no longer last. */
export async function loadStores({ models }: Pick<Database, 'models'>): Promise<readonly ShelfItem[]> {
  const [items, asides, wants, orders] = await Promise.all([
    models.StockItem.findAll(),
    models.StockAside.findAll(),
    models.StockWantRow.findAll(),
    openOrders(models, UTC),
  ]);
  const [aside, wanted, coming] = [byItem(asides), byItem(wants), comingOf(orders)];
  return items
    .map((i) => asShelfItem(i, aside.get(i.id) ?? [], wanted.get(i.id) ?? [], coming))
    .sort((x, y) => x.sort.localeCompare(y.sort) || NAMES.compare(x.name, y.name) || x.id - y.id);
}

/** A row of an item's ledger as it is shown. */
export interface ShownMove {
  readonly id: number;
  readonly kind: MoveKind;
  readonly quantity: number;
  readonly onHand: number;
  readonly job: number | null;
  readonly reason: string;
  readonly by: string;
  readonly at: string;
}

const MOST_MOVES = 200;

/** An item with what waits for which job and its ledger, the newest first; null where there is none. */
export async function loadItem({ models }: Pick<Database, 'models'>, id: number, now: Date) {
  const item = await models.StockItem.findByPk(id);
  if (!item) return null;
  const [asides, moves, people, parts, orders] = await Promise.all([
    models.StockAside.findAll({ where: { itemId: id }, order: [['id', 'ASC']] }),
    models.StockMoveRow.findAll({ where: { itemId: id }, order: [['id', 'DESC']], limit: MOST_MOVES }),
    models.Person.findAll({ attributes: ['id', 'name'] }),
    awaitedParts(models, now),
    openOrders(models, UTC),
  ]);
  const wants = parts.filter(({ want }) => want.itemId === id);
  const ids = [
    ...[...asides, ...wants.map((w) => w.want)].map((a) => a.jobId),
    ...moves.flatMap((m) => (m.jobId === null ? [] : [m.jobId])),
  ];
  const jobs = await models.Job.findAll({ attributes: ['id', 'number'], where: { id: [...new Set(ids)] } });
  const number = (jobId: number | null): number | null => jobs.find((j) => j.id === jobId)?.number ?? null;
  return {
    ...asShelfItem(
      item,
      asides,
      wants.map((w) => w.want),
      comingOf(orders),
    ),
    wants: wants.map(({ want: w, arrival }) => ({
      jobId: w.jobId,
      job: number(w.jobId),
      quantity: Number(w.quantity),
      ...arrival,
    })),
    /** what is still to come, by order */
    orders: orders.flatMap((o) =>
      o.rows
        .filter((r) => r.item === id && missingOf(r) > 0)
        .map((r) => ({
          order: o.id,
          missing: missingOf(r),
          expected: o.expected,
          out: o.orderedOn !== null,
        })),
    ),
    asides: asides.map((a) => ({ jobId: a.jobId, job: number(a.jobId), quantity: Number(a.quantity) })),
    moves: moves.map((m): ShownMove => ({
      id: m.id,
      kind: m.kind,
      quantity: Number(m.quantity),
      onHand: Number(m.onHand),
      job: number(m.jobId),
      reason: m.reason,
      by: people.find((p) => p.id === m.madeBy)?.name ?? '',
      at: m.madeAt.toISOString(),
    })),
  };
}

export type LoadedItem = NonNullable<Awaited<ReturnType<typeof loadItem>>>;
