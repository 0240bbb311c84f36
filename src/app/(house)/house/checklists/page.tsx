import Link from 'next/link';
import { database } from '../../../../server/db/connection.ts';
import { loadChecklists } from '../../../../server/house/load-checklists.ts';
import { ChecklistPreview } from '../../../../ui/checklist-preview.tsx';
import { PageHead } from '../../../../ui/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Checklists' };

export default async function ChecklistsPage() {
  await requireActor();
  return (
    <>
      <PageHead title="Checklists" note="what each kind of instrument is asked">
        <Link href="/house" className="button">
          House
        </Link>
      </PageHead>
      <ChecklistPreview lists={await loadChecklists(database())} />
    </>
  );
}
