import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadAfterwards } from '../../../../server/desk/load-afterwards.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { AfterList } from '../../../../ui/desk/after-list.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Afterwards' };

export default async function AfterwardsPage() {
  const actor = await requireActor('take-in');
  const db = database();
  const [items, shop] = await Promise.all([loadAfterwards(db, new Date()), loadShop(db)]);
  return (
    <>
      <PageHead title="Afterwards" note="whom to call about what went home, and why" />
      <div className="max-w-5xl px-5 py-4">
        <AfterList items={items} unit={shop.heights} may={may(actor.role, 'hand-over')} />
      </div>
    </>
  );
}
