import { may } from '../../../core/people/roles.ts';
import { database } from '../../../server/db/connection.ts';
import { loadWeek } from '../../../server/week/load-week.ts';
import { Week } from '../../../ui/week/week.tsx';
import { requireActor } from '../../_lib/session.ts';

export const metadata = { title: 'Week' };

export default async function WeekPage() {
  const actor = await requireActor();
  const week = await loadWeek(database());
  return <Week week={week} may={may(actor.role, 'plan')} person={actor.personId} />;
}
