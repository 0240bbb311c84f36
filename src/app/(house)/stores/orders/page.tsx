import { sayDate } from '../../../../core/days/say-days.ts';
import type { ShopInfo } from '../../../../core/job/shop.ts';
import { formatMoney } from '../../../../core/money/currency.ts';
import { STANDINGS } from '../../../../core/stock/orders.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { loadOrders, type ShownOrder } from '../../../../server/stores/load-orders.ts';
import Link from '../../../../ui/kit/link.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';
import { Sideways } from '../../../../ui/kit/sideways.tsx';

export const metadata = { title: 'Orders' };

/** An order, a line. */
function Row({ order: o, shop }: { readonly order: ShownOrder; readonly shop: ShopInfo }) {
  const date = (day: string | null): string => (day === null ? '' : sayDate(day, shop.dates));
  return (
    <tr className="border-b border-line">
      <td className="pr-4">
        <Link
          href={`/stores/orders/${o.id}`}
          className="inline-flex min-h-11 min-w-11 items-center underline"
          aria-label={`Order ${o.id} at ${o.supplier}`}
        >
          {o.id}
        </Link>
      </td>
      <td className="min-w-32 pr-4 wrap-anywhere">
        {o.supplier}{' '}
        <span className="text-sm text-quiet">
          {o.rows} {o.rows === 1 ? 'thing' : 'things'}
        </span>
      </td>
      <td className={`pr-4 ${o.standing === 'late' ? 'text-rubric' : ''}`}>
        {o.standing === 'late' && '◆ '}
        {STANDINGS[o.standing]}
      </td>
      <td className="pr-4 text-ink">{date(o.orderedOn)}</td>
      <td className="pr-4 text-ink">{date(o.expected)}</td>
      <td>{formatMoney(o.cost, shop.currency)}</td>
    </tr>
  );
}

export default async function OrdersPage() {
  await requireActor();
  const db = database();
  const [orders, shop] = await Promise.all([loadOrders(db, new Date()), loadShop(db)]);
  return (
    <>
      <PageHead title="Orders" note="at suppliers: written, under way, late, here">
        <Link href="/stores/short" className="button">
          What is short
        </Link>
        <Link href="/stores" className="button">
          Stores
        </Link>
      </PageHead>
      <div className="max-w-4xl px-5 py-4">
        {orders.length === 0 && (
          <p className="text-quiet">Nothing is on order. What is short can be made an order there.</p>
        )}
        {orders.length > 0 && (
          <Sideways label="What comes">
            <table className="w-full text-left">
              <thead className="text-sm">
                <tr className="border-b-2 border-plain">
                  {['Order', 'At', 'How it stands', 'Ordered', 'Should come', 'Cost'].map((h) => (
                    <th key={h} scope="col" className="pr-4 font-normal text-quiet">
                      {h}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {orders.map((o) => (
                  <Row key={o.id} order={o} shop={shop} />
                ))}
              </tbody>
            </table>
          </Sideways>
        )}
      </div>
    </>
  );
}
