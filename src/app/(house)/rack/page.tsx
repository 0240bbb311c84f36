import { database } from '../../../server/db/connection.ts';
import { loadFirstDay } from '../../../server/house/first-day.ts';
import { loadRackPage } from '../../../server/rack/load-rack.ts';
import { Rack } from '../../../ui/rack/rack.tsx';
import { requireActor } from '../../_lib/session.ts';

export const metadata = { title: 'Rack' };

export default async function RackPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ find?: string }>;
}) {
  await requireActor();
  const { find = '' } = await searchParams;
  const db = database();
  const [initial, day] = await Promise.all([loadRackPage(db), loadFirstDay(db)]);
  return <Rack initial={initial} find={find} firstDay={day !== null && !day.closed} />;
}
