import { database } from '../../../../server/db/connection.ts';
import { loadStores } from '../../../../server/stores/load-stores.ts';
import Link from '../../../../ui/kit/link.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { CountRound } from '../../../../ui/stores/count-round.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Count' };

export default async function CountPage() {
  await requireActor();
  const items = await loadStores(database());
  return (
    <>
      <PageHead title="Count" note="scan, say how many, scan the next">
        <Link href="/stores/labels" className="button">
          Labels
        </Link>
        <Link href="/stores" className="button">
          Stores
        </Link>
      </PageHead>
      <CountRound items={items} />
    </>
  );
}
