import { Op, type Transaction } from 'sequelize';
import { clockOn, dayIn, type Day } from '../../core/days/zone.ts';
import { arrivalsOf, type Arrival, type StockOrder } from '../../core/stock/orders.ts';
import type { MessageRow } from '../db/models/bench.ts';
import type { Models } from '../db/models/index.ts';
import type { OrderHead, OrderLine, StockWantRow } from '../db/models/orders.ts';
import { shopOf } from '../house/load-shop.ts';

const MIDDAY = 12 * 60;

/** An order as the core takes it. */
export const asOrder = (head: OrderHead, lines: readonly OrderLine[], zone: string): StockOrder => ({
  id: head.id,
  orderedOn: head.orderedAt === null ? null : dayIn(head.orderedAt.getTime(), zone),
  expected: head.expected,
  ended: head.endedAt !== null,
  rows: lines
    .filter((l) => l.orderId === head.id)
    .map((l) => ({ item: l.itemId, quantity: Number(l.quantity), came: Number(l.came) })),
});

/** The orders something of which may still come. */
export async function openOrders(
  models: Models,
  zone: string,
  t: Transaction | null = null,
): Promise<readonly StockOrder[]> {
  const heads = await models.OrderHead.findAll({
    where: { endedAt: null },
    order: [['id', 'ASC']],
    transaction: t,
  });
  if (heads.length === 0) return [];
  const lines = await models.OrderLine.findAll({
    where: { orderId: heads.map((h) => h.id) },
    transaction: t,
  });
  return heads.map((h) => asOrder(h, lines, zone));
}

/** What a job waits for, and when it will likely be here. */
export interface AwaitedPart {
  readonly want: StockWantRow;
  readonly arrival: Arrival;
  /** midday of the likely day, ms; null where nobody knows, or where it should be here already */
  readonly at: number | null;
}

/** What jobs wait for, in the order they asked, each with when it will likely be here. */
export async function awaitedParts(
  models: Models,
  now: Date,
  t: Transaction | null = null,
): Promise<readonly AwaitedPart[]> {
  const wants = await models.StockWantRow.findAll({ order: [['id', 'ASC']], transaction: t });
  if (wants.length === 0) return [];
  const { zone } = shopOf(await models.Setting.findAll({ where: { name: 'shop' }, transaction: t }));
  const today: Day = dayIn(now.getTime(), zone);
  const found = arrivalsOf(
    wants.map((w) => ({ id: w.id, item: w.itemId, quantity: Number(w.quantity) })),
    await openOrders(models, zone, t),
    today,
  );
  return wants.flatMap((want) => {
    const arrival = found.get(want.id);
    if (!arrival) return [];
    const known = arrival.expected !== null && !arrival.late;
    return [{ want, arrival, at: known ? clockOn(arrival.expected ?? today, MIDDAY, zone) : null }];
  });
}

/** The newest letter an order went out by, or null. */
export const letterOf = (
  models: Models,
  orderId: number,
  t: Transaction | null = null,
): Promise<MessageRow | null> =>
  models.MessageRow.findOne({
    where: { orderId },
    order: [['id', 'DESC']],
    transaction: t,
    ...(t && { lock: t.LOCK.UPDATE }),
  });

/** The jobs that wait for any of some items. */
export const jobsAwaiting = async (
  models: Models,
  itemIds: readonly number[],
  t: Transaction,
): Promise<readonly number[]> => {
  const rows = await models.StockWantRow.findAll({
    where: { itemId: { [Op.in]: [...itemIds] } },
    attributes: ['jobId'],
    transaction: t,
  });
  return [...new Set(rows.map((r) => r.jobId))].sort((a, b) => a - b);
};
