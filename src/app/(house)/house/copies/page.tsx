import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadUpkeep } from '../../../../server/upkeep/load-upkeep.ts';
import { loadFailures } from '../../../../server/keep/failures.ts';
import { CopyHabitsEditor } from '../../../../ui/house/copy-habits-editor.tsx';
import { FailuresPanel } from '../../../../ui/house/failures-panel.tsx';
import { UpkeepPanel } from '../../../../ui/house/upkeep-panel.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Copies' };

export default async function CopiesPage() {
  const actor = await requireActor();
  const house = may(actor.role, 'house');
  const [upkeep, failures] = await Promise.all([
    loadUpkeep(database(), Date.now()),
    house ? loadFailures(database(), new Date()) : null,
  ]);
  return (
    <>
      <PageHead title="Copies" note="of the whole record, whether its seals hold, and what did not work" />
      <div className="grid gap-8 px-5 py-3 lg:grid-cols-2">
        <UpkeepPanel upkeep={upkeep} />
        <CopyHabitsEditor {...upkeep.habits} may={house} />
      </div>
      {failures && <FailuresPanel failures={failures} />}
    </>
  );
}
