import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadUpkeep } from '../../../../server/upkeep/load-upkeep.ts';
import { CopyHabitsEditor } from '../../../../ui/house/copy-habits-editor.tsx';
import { UpkeepPanel } from '../../../../ui/house/upkeep-panel.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Copies' };

export default async function CopiesPage() {
  const actor = await requireActor();
  const upkeep = await loadUpkeep(database(), Date.now());
  return (
    <>
      <PageHead title="Copies" note="of the whole record, and whether its seals hold" />
      <div className="grid gap-8 px-5 py-3 lg:grid-cols-2">
        <UpkeepPanel upkeep={upkeep} />
        <CopyHabitsEditor {...upkeep.habits} may={may(actor.role, 'house')} />
      </div>
    </>
  );
}
