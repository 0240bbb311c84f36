import { database } from '../../../server/db/connection.ts';
import { Intake } from '../../../ui/intake.tsx';
import { PageHead } from '../../../ui/page-head.tsx';
import { requireActor } from '../../_lib/session.ts';

export const metadata = { title: 'Desk' };

export default async function DeskPage() {
  await requireActor('take-in');
  const places = await database().models.Place.findAll({ where: { kind: 'rack' }, order: [['sort', 'ASC']] });
  return (
    <>
      <PageHead title="Desk" note="Taking in, in the order of the talk" />
      <Intake places={places.map((p) => ({ id: p.id, name: p.name }))} />
    </>
  );
}
