import { addDays, dayIn } from '../../../../core/days/zone.ts';
import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { loadPeriods } from '../../../../server/privacy/save-periods.ts';
import { PeriodsEditor } from '../../../../ui/house/periods-editor.tsx';
import { TakeLogOut } from '../../../../ui/house/take-log-out.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'What is kept' };

const DAYS_BACK = 30;

export default async function KeepingPage() {
  const actor = await requireActor();
  const db = database();
  const [{ periods, version }, { zone }] = await Promise.all([loadPeriods(db), loadShop(db)]);
  const today = dayIn(Date.now(), zone);
  const keeps = may(actor.role, 'house');
  return (
    <>
      <PageHead title="What is kept" note="of customers, and for how long" />
      <div className="grid gap-8 px-5 py-3 lg:grid-cols-2">
        <PeriodsEditor periods={periods} version={version} may={keeps} />
        {keeps && <TakeLogOut from={addDays(today, -DAYS_BACK)} to={today} />}
      </div>
    </>
  );
}
