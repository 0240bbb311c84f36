import { dayIn } from '../../core/days/zone.ts';
import { STANDINGS, standingOf, type Standing } from '../../core/stock/orders.ts';
import { sayFacts } from '../../core/stock/read-facts.ts';
import type { SortId } from '../../core/stock/sorts.ts';
import type { Database } from '../db/connection.ts';
import { loadShop } from '../house/load-shop.ts';
import { asOrder, letterOf } from './read-orders.ts';

const MOST_ENDED = 100;

/** An order as lists show it. Days are `yyyy-mm-dd`, cost in minor units. */
export interface ShownOrder {
  readonly id: number;
  readonly supplier: string;
  readonly standing: Standing;
  readonly orderedOn: string | null;
  readonly expected: string | null;
  readonly rows: number;
  readonly cost: number;
}

/** The orders: under way and written first, then the last that are over. */
export async function loadOrders(db: Pick<Database, 'models'>, now: Date): Promise<readonly ShownOrder[]> {
  const { models } = db;
  const [{ zone }, heads] = await Promise.all([
    loadShop(db),
    models.OrderHead.findAll({ order: [['id', 'DESC']], limit: 5 * MOST_ENDED }),
  ]);
  const [lines, items] = await Promise.all([
    models.OrderLine.findAll({ where: { orderId: heads.map((h) => h.id) } }),
    models.StockItem.findAll({ attributes: ['id', 'cost'] }),
  ]);
  const cost = new Map(items.map((i) => [i.id, Number(i.cost ?? 0)]));
  const today = dayIn(now.getTime(), zone);
  const order = Object.keys(STANDINGS);
  return heads
    .map((h): ShownOrder => {
      const o = asOrder(h, lines, zone);
      return {
        id: h.id,
        supplier: h.supplier,
        standing: standingOf(o, today),
        orderedOn: o.orderedOn,
        expected: o.expected,
        rows: o.rows.length,
        cost: o.rows.reduce((s, r) => s + Math.round(r.quantity * (cost.get(r.item) ?? 0)), 0),
      };
    })
    .sort((x, y) => order.indexOf(x.standing) - order.indexOf(y.standing) || y.id - x.id);
}

/** An order whole, with its items and how its supplier is reached; null where there is none. */
export async function loadOrder(db: Pick<Database, 'models'>, id: number, now: Date) {
  const { models } = db;
  const head = await models.OrderHead.findByPk(id);
  if (!head) return null;
  const [{ zone }, lines, supplier, person, letter] = await Promise.all([
    loadShop(db),
    models.OrderLine.findAll({ where: { orderId: id }, order: [['id', 'ASC']] }),
    models.Supplier.findOne({ where: { name: head.supplier } }),
    models.Person.findByPk(head.madeBy, { attributes: ['name'] }),
    head.orderedHow === 'mail' ? letterOf(models, id) : null,
  ]);
  const items = await models.StockItem.findAll({ where: { id: lines.map((l) => l.itemId) } });
  const today = dayIn(now.getTime(), zone);
  const order = asOrder(head, lines, zone);
  return {
    id,
    version: head.version,
    supplier: head.supplier,
    note: head.note,
    expected: head.expected,
    orderedOn: order.orderedOn,
    orderedHow: head.orderedHow,
    ended: order.ended,
    standing: standingOf(order, today),
    email: supplier?.email ?? '',
    days: supplier?.days ?? null,
    by: person?.name ?? '',
    /** the letter it went out by; null where it went none */
    letter: letter && {
      state: letter.state as string,
      wentBy: letter.wentBy as string,
      trouble: letter.trouble,
    },
    rows: lines.flatMap((l) => {
      const item = items.find((i) => i.id === l.itemId);
      if (!item) return [];
      return [
        {
          itemId: l.itemId,
          name: item.name,
          sort: item.sort as SortId,
          facts: sayFacts(item.sort, item.facts),
          code: item.code ?? '',
          cost: item.cost === null ? null : Number(item.cost),
          quantity: Number(l.quantity),
          came: Number(l.came),
        },
      ];
    }),
  };
}

export type LoadedOrder = NonNullable<Awaited<ReturnType<typeof loadOrder>>>;

/** How suppliers are reached, by name; those only items name are there without an address. */
export async function loadSuppliers({ models }: Pick<Database, 'models'>) {
  const [rows, items] = await Promise.all([
    models.Supplier.findAll({ order: [['name', 'ASC']] }),
    models.StockItem.findAll({ attributes: ['supplier'], where: { retiredAt: null }, group: ['supplier'] }),
  ]);
  const names = new Set([...rows.map((r) => r.name), ...items.map((i) => i.supplier)]);
  return [...names]
    .filter((n) => n !== '')
    .sort((a, b) => a.localeCompare(b))
    .map((name) => {
      const known = rows.find((r) => r.name === name);
      return {
        name,
        email: known?.email ?? '',
        days: known?.days ?? null,
        version: known?.version ?? 0,
      };
    });
}

export type LoadedSupplier = Awaited<ReturnType<typeof loadSuppliers>>[number];
