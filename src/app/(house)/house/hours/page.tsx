import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadOpening } from '../../../../server/house/opening.ts';
import { OpeningEditor } from '../../../../ui/house/opening-editor.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Opening hours' };

export default async function HoursPage() {
  const actor = await requireActor();
  const { opening, version } = await loadOpening(database());
  return (
    <>
      <PageHead title="Opening hours" note="and the days the shop is closed" />
      <OpeningEditor opening={opening} version={version} may={may(actor.role, 'house')} />
    </>
  );
}
