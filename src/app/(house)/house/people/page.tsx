import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadPeople } from '../../../../server/people/load-people.ts';
import { PeopleEditor } from '../../../../ui/house/people-editor.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'People' };

export default async function PeoplePage() {
  const actor = await requireActor();
  const people = await loadPeople(database());
  return (
    <>
      <PageHead title="People" note="who works here, and what they may do" />
      <PeopleEditor people={people} me={actor.personId} role={actor.role} may={may(actor.role, 'house')} />
    </>
  );
}
