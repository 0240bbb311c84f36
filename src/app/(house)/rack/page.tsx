import { database } from '../../../server/db/connection.ts';
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
  return <Rack initial={await loadRackPage(database())} find={find} />;
}
