import { may } from '../../../core/people/roles.ts';
import { database } from '../../../server/db/connection.ts';
import { loadShop } from '../../../server/house/load-shop.ts';
import { loadStores } from '../../../server/stores/load-stores.ts';
import { loadOrder } from '../../../server/stores/load-orders.ts';
import { orderCsv, shortCsv, stockCsv } from '../../../server/stores/stock-csv.ts';
import { currentActor } from '../../_lib/request-actor.ts';

/** What is on the shelves as CSV; what is short at a supplier, or an order, where one is named. */
export async function GET(request: Request): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  if (!may(actor.role, 'take-in')) return new Response('This is not yours to take out.', { status: 403 });
  const asked = new URL(request.url).searchParams;
  const [supplier, order] = [asked.get('supplier'), asked.get('order')];
  const db = database();
  const [items, { currency, tax }, ordered] = await Promise.all([
    loadStores(db),
    loadShop(db),
    order !== null && /^\d{1,9}$/.test(order) ? loadOrder(db, Number(order), new Date()) : null,
  ]);
  if (order !== null && !ordered) return new Response('There is no such order.', { status: 404 });
  const text = ordered
    ? orderCsv(ordered, currency)
    : supplier === null
      ? stockCsv(items, { money: currency, rates: tax.rates })
      : shortCsv(items, supplier, currency);
  return new Response(text, {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': `attachment; filename="${supplier === null && order === null ? 'stores' : 'order'}.csv"`,
    },
  });
}
