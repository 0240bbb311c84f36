import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadCare } from '../../../../server/house/save-care.ts';
import { CareEditor } from '../../../../ui/house/care-editor.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Care' };

export default async function HouseCarePage() {
  const actor = await requireActor();
  const loaded = await loadCare(database());
  return (
    <>
      <PageHead
        title="Care"
        note={
          loaded.version === 0
            ? 'as it ships: ordinary trade practice'
            : `version ${loaded.version} of the shop`
        }
      />
      <CareEditor loaded={loaded} may={may(actor.role, 'house')} />
    </>
  );
}
