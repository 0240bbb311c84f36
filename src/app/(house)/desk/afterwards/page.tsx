import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadAfterwards } from '../../../../server/desk/load-afterwards.ts';
import { AfterList } from '../../../../ui/desk/after-list.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Afterwards' };

export default async function AfterwardsPage() {
  const actor = await requireActor('take-in');
  const db = database();
  const items = await loadAfterwards(db, new Date());
  return (
    <>
      <PageHead title="Afterwards" note="whom to call about what went home, and why" />
      <div className="max-w-5xl px-5 py-4">
        <AfterList items={items} may={may(actor.role, 'hand-over')} />
      </div>
    </>
  );
}
