import { dayIn } from '../../../core/days/zone.ts';
import { may } from '../../../core/people/roles.ts';
import { database } from '../../../server/db/connection.ts';
import { loadShop } from '../../../server/house/load-shop.ts';
import { loadStores } from '../../../server/stores/load-stores.ts';
import Link from '../../../ui/kit/link.tsx';
import { PageHead } from '../../../ui/kit/page-head.tsx';
import { StoresList } from '../../../ui/stores/stores-list.tsx';
import { requireActor } from '../../_lib/session.ts';

export const metadata = { title: 'Stores' };

export default async function StoresPage() {
  const actor = await requireActor();
  const db = database();
  const [items, shop] = await Promise.all([loadStores(db), loadShop(db)]);
  return (
    <>
      <PageHead title="Stores" note="what is on the shelves">
        {may(actor.role, 'take-in') && (
          <a href="/api/stores" download className="button">
            All of it as CSV
          </a>
        )}
        <Link href="/stores/short" className="button">
          What is short
        </Link>
        <Link href="/stores/orders" className="button">
          Orders
        </Link>
        <Link href="/stores/count" className="button">
          Count
        </Link>
        <Link href="/stores/figures" className="button">
          Figures
        </Link>
        <Link href="/stores/care" className="button">
          Care
        </Link>
      </PageHead>
      <StoresList
        items={items}
        money={shop.currency}
        rates={shop.tax.rates}
        today={dayIn(Date.now(), shop.zone)}
        working={may(actor.role, 'work')}
      />
    </>
  );
}
