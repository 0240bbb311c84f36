import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { offeredKinds } from '../../../../server/house/kinds.ts';
import { KindEditor } from '../../../../ui/house/kind-editor.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Kinds of instrument' };

export default async function KindsPage() {
  const actor = await requireActor();
  return (
    <>
      <PageHead title="Kinds of instrument" note="what is usual for each when it is taken in" />
      <KindEditor kinds={await offeredKinds(database())} may={may(actor.role, 'house')} />
    </>
  );
}
