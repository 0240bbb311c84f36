import Link from '../../../../ui/kit/link.tsx';
import { database } from '../../../../server/db/connection.ts';
import { loadDuplicates } from '../../../../server/shelf/load-duplicates.ts';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { DoubleEntries } from '../../../../ui/shelf/double-entries.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Double entries' };

export default async function DoublePage() {
  await requireActor('take-in');
  return (
    <>
      <PageHead title="Double entries" note="customers and instruments that look like one">
        <Link href="/shelf" className="button">
          Shelf
        </Link>
      </PageHead>
      <DoubleEntries {...await loadDuplicates(database())} />
    </>
  );
}
