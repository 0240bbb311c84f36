import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadFirstDay } from '../../../../server/house/first-day.ts';
import { FirstDayPath } from '../../../../ui/house/first-day-path.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'First day' };

export default async function FirstDayPage() {
  const actor = await requireActor();
  const day = (await loadFirstDay(database())) ?? { done: [], closed: false, version: 0 };
  return (
    <>
      <PageHead title="First day" note="eleven steps; leave at any of them and come back" />
      <FirstDayPath day={day} version={day.version} may={may(actor.role, 'house')} />
    </>
  );
}
