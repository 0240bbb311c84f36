import type { ItemFacts } from '../../core/stock/fits.ts';
import type { MoveKind } from '../../core/stock/ledger.ts';
import type { SortId } from '../../core/stock/sorts.ts';
import type { Database } from '../db/connection.ts';
import type { StockAside, StockItem } from '../db/models/stock.ts';

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
  readonly onHand: number;
  /** how many nobody waits for */
  readonly free: number;
  readonly retired: boolean;
  readonly version: number;
}

const sum = (rows: readonly StockAside[]): number =>
  rows.reduce((s, r) => s + Math.round(Number(r.quantity) * 100), 0) / 100;

const asShelfItem = (i: StockItem, asides: readonly StockAside[]): ShelfItem => {
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
    onHand,
    free: Math.round((onHand - sum(asides)) * 100) / 100,
    retired: i.retiredAt !== null,
    version: i.version,
  };
};

/** Everything that is kept, by sort and name; what is kept no longer last. */
export async function loadStores({ models }: Pick<Database, 'models'>): Promise<readonly ShelfItem[]> {
  const [items, asides] = await Promise.all([
    models.StockItem.findAll({ order: ['sort', 'name', 'id'] }),
    models.StockAside.findAll(),
  ]);
  const byItem = new Map<number, StockAside[]>();
  for (const a of asides) byItem.set(a.itemId, [...(byItem.get(a.itemId) ?? []), a]);
  return items.map((i) => asShelfItem(i, byItem.get(i.id) ?? []));
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
export async function loadItem({ models }: Pick<Database, 'models'>, id: number) {
  const item = await models.StockItem.findByPk(id);
  if (!item) return null;
  const [asides, moves, people] = await Promise.all([
    models.StockAside.findAll({ where: { itemId: id }, order: [['id', 'ASC']] }),
    models.StockMoveRow.findAll({ where: { itemId: id }, order: [['id', 'DESC']], limit: MOST_MOVES }),
    models.Person.findAll({ attributes: ['id', 'name'] }),
  ]);
  const ids = [...asides.map((a) => a.jobId), ...moves.flatMap((m) => (m.jobId === null ? [] : [m.jobId]))];
  const jobs = await models.Job.findAll({ attributes: ['id', 'number'], where: { id: [...new Set(ids)] } });
  const number = (jobId: number | null): number | null => jobs.find((j) => j.id === jobId)?.number ?? null;
  return {
    ...asShelfItem(item, asides),
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
