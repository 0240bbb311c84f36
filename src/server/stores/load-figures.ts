import { Op } from 'sequelize';
import { addDays, dayIn } from '../../core/days/zone.ts';
import { lastAlive, lastMonths, liesStill, shelfValue, usedByMonth } from '../../core/stock/figures.ts';
import { isPast } from '../../core/stock/short.ts';
import type { Database } from '../db/connection.ts';
import { loadShop } from '../house/load-shop.ts';
import { loadStores } from './load-stores.ts';

/** What the shelves come to: their value, what each month took, what lies still, what is past its day. */
export async function loadFigures(db: Pick<Database, 'models'>, now: Date) {
  const [shop, items] = await Promise.all([loadShop(db), loadStores(db)]);
  const today = dayIn(now.getTime(), shop.zone);
  const since = new Date(`${addDays(today, -800)}T00:00:00Z`);
  const [rows, older] = await Promise.all([
    db.models.StockMoveRow.findAll({
      attributes: ['itemId', 'kind', 'quantity', 'madeAt'],
      where: { madeAt: { [Op.gte]: since } },
      order: [['id', 'ASC']],
    }),
    db.models.StockMoveRow.findAll({
      attributes: ['itemId'],
      where: { madeAt: { [Op.lt]: since } },
      group: ['itemId'],
    }),
  ]);
  const moves = rows.map((r) => ({
    item: r.itemId,
    kind: r.kind,
    quantity: Number(r.quantity),
    day: dayIn(r.madeAt.getTime(), shop.zone),
  }));
  const [use, alive] = [usedByMonth(moves, today), lastAlive(moves)];
  const old = new Set(older.map((r) => r.itemId));
  const here = items.filter((i) => !i.retired);
  const last = (id: number): string | null =>
    alive.get(id) ?? (old.has(id) ? dayIn(since.getTime(), shop.zone) : null);
  return {
    today,
    months: lastMonths(today),
    value: shelfValue(here),
    use: items
      .flatMap((i) => {
        const by = use.get(i.id);
        return by ? [{ id: i.id, name: i.name, sort: i.sort, by, all: by.reduce((s, n) => s + n, 0) }] : [];
      })
      .sort((x, y) => y.all - x.all || x.name.localeCompare(y.name)),
    still: here
      .filter((i) => liesStill(i.onHand, last(i.id), today))
      .map((i) => ({
        id: i.id,
        name: i.name,
        sort: i.sort,
        onHand: i.onHand,
        cost: i.cost,
        last: alive.get(i.id) ?? null,
      })),
    past: here
      .filter((i) => i.onHand > 0 && isPast(i, today))
      .map((i) => ({
        id: i.id,
        name: i.name,
        sort: i.sort,
        onHand: i.onHand,
        until: String(i.facts['until']),
      })),
  };
}

export type StoreFigures = Awaited<ReturnType<typeof loadFigures>>;
