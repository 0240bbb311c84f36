import { notFound } from 'next/navigation';
import { may } from '../../../../../core/people/roles.ts';
import { database } from '../../../../../server/db/connection.ts';
import { loadShop } from '../../../../../server/house/load-shop.ts';
import { loadOrder, loadSuppliers } from '../../../../../server/stores/load-orders.ts';
import Link from '../../../../../ui/kit/link.tsx';
import { PageHead } from '../../../../../ui/kit/page-head.tsx';
import { OrderPage } from '../../../../../ui/stores/order-page.tsx';
import { requireActor } from '../../../../_lib/session.ts';

export const metadata = { title: 'An order' };

export default async function StoresOrderPage({
  params,
}: {
  readonly params: Promise<{ readonly id: string }>;
}) {
  const actor = await requireActor();
  const { id } = await params;
  const db = database();
  const [order, shop, suppliers] = await Promise.all([
    /^\d{1,9}$/.test(id) ? loadOrder(db, Number(id), new Date()) : null,
    loadShop(db),
    loadSuppliers(db),
  ]);
  if (!order) notFound();
  const supplier = suppliers.find((s) => s.name === order.supplier) ?? {
    name: order.supplier,
    email: '',
    days: null,
    version: 0,
  };
  return (
    <>
      <PageHead title={`Order ${order.id}`} note={order.supplier}>
        <Link href="/stores/orders" className="button">
          Orders
        </Link>
      </PageHead>
      <OrderPage order={order} supplier={supplier} money={shop.currency} may={may(actor.role, 'take-in')} />
    </>
  );
}
