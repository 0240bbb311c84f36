import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { placesWithJobs } from '../../../../server/desk/places.ts';
import { PlacesEditor } from '../../../../ui/house/places-editor.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Places' };

export default async function PlacesPage() {
  const actor = await requireActor();
  const db = database();
  const [places, kept] = await Promise.all([placesWithJobs(db), db.models.Setting.findByPk('places')]);
  return (
    <>
      <PageHead title="Places" note="where instruments hang, and the benches" />
      <PlacesEditor
        places={places.map(({ id, name, kind, holds }) => ({ id, name, kind, holds }))}
        version={kept?.version ?? 0}
        may={may(actor.role, 'house')}
      />
    </>
  );
}
