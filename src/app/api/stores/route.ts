import { may } from '../../../core/people/roles.ts';
import { database } from '../../../server/db/connection.ts';
import { loadShop } from '../../../server/house/load-shop.ts';
import { loadStores } from '../../../server/stores/load-stores.ts';
import { shortCsv, stockCsv } from '../../../server/stores/stock-csv.ts';
import { currentActor } from '../../_lib/session.ts';

/** What is on the shelves as CSV; what is short at a supplier where one is named. */
export async function GET(request: Request): Promise<Response> {
  const actor = await currentActor();
  if (!actor) return new Response('Sign in first.', { status: 401 });
  if (!may(actor.role, 'take-in')) return new Response('This is not yours to take out.', { status: 403 });
  const supplier = new URL(request.url).searchParams.get('supplier');
  const db = database();
  const [items, shop] = await Promise.all([loadStores(db), loadShop(db)]);
  const text = supplier === null ? stockCsv(items, shop.currency) : shortCsv(items, supplier, shop.currency);
  return new Response(text, {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': `attachment; filename="${supplier === null ? 'stores' : 'order'}.csv"`,
    },
  });
}
