import Link from '../../../../../ui/kit/link.tsx';
import { notFound } from 'next/navigation';
import { may } from '../../../../../core/people/roles.ts';
import { database } from '../../../../../server/db/connection.ts';
import { loadVersions } from '../../../../../server/house/load-checklists.ts';
import { ChecklistEditor } from '../../../../../ui/checklists/checklist-editor.tsx';
import { PageHead } from '../../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../../_lib/session.ts';

export const metadata = { title: 'Edit a checklist' };

export default async function ChecklistEditPage({ params }: { readonly params: Promise<{ list: string }> }) {
  const actor = await requireActor();
  const { list: id } = await params;
  const [newest] = await loadVersions(database(), id);
  if (!newest) notFound();
  return (
    <>
      <PageHead title={newest.name} note={`version ${newest.version}: its order, its items, its conditions`}>
        <Link href={`/house/checklists?list=${newest.id}`} className="button">
          Checklists
        </Link>
      </PageHead>
      <ChecklistEditor list={newest} may={may(actor.role, 'house')} />
    </>
  );
}
