import { notFound } from 'next/navigation';
import { may } from '../../../../core/people/roles.ts';
import { SORTS } from '../../../../core/stock/sorts.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { loadItem } from '../../../../server/stores/load-stores.ts';
import Link from '../../../../ui/kit/link.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { ItemPage } from '../../../../ui/stores/item-page.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'On the shelves' };

export default async function StoresItemPage({
  params,
}: {
  readonly params: Promise<{ readonly id: string }>;
}) {
  const actor = await requireActor();
  const { id } = await params;
  const db = database();
  const [item, shop] = await Promise.all([
    /^\d{1,9}$/.test(id) ? loadItem(db, Number(id), new Date()) : null,
    loadShop(db),
  ]);
  if (!item) notFound();
  return (
    <>
      <PageHead title={item.name} note={SORTS[item.sort].name.toLowerCase()}>
        <Link href="/stores" className="button">
          Stores
        </Link>
      </PageHead>
      <ItemPage item={item} money={shop.currency} rates={shop.tax.rates} working={may(actor.role, 'work')} />
    </>
  );
}
