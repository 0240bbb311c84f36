import Link from '../../../../ui/kit/link.tsx';
import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadChecklists } from '../../../../server/house/load-checklists.ts';
import { ChecklistPreview } from '../../../../ui/checklists/checklist-preview.tsx';
import { ImportLists } from '../../../../ui/checklists/import-lists.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Checklists' };

interface Params {
  readonly searchParams: Promise<{ list?: string | string[] }>;
}

export default async function ChecklistsPage({ searchParams }: Params) {
  const actor = await requireActor();
  const [{ list: wanted }, lists] = await Promise.all([searchParams, loadChecklists(database())]);
  const list = lists.find((l) => l.id === wanted) ?? lists[0];
  const mayEdit = may(actor.role, 'house');
  return (
    <>
      <PageHead title="Checklists" note="what each kind of instrument is asked" />
      <nav aria-label="Lists" className="flex flex-wrap items-center gap-2 px-5 pt-3">
        {lists.map((l) => (
          <Link
            key={l.id}
            href={`/house/checklists?list=${l.id}`}
            aria-current={l === list ? 'page' : undefined}
            className={`button ${l === list ? 'button-main' : ''}`}
          >
            {l.name}, version {l.version}
          </Link>
        ))}
        {list && (
          <span className="ml-auto flex gap-2">
            <Link href={`/house/checklists/${list.id}`} className="button">
              Edit
            </Link>
            <Link href={`/house/checklists/${list.id}/versions`} className="button">
              Versions
            </Link>
            <a href="/api/checklists" className="button" download="checklists.json">
              All as a file
            </a>
          </span>
        )}
      </nav>
      {list && <ChecklistPreview key={list.id} list={list} />}
      {mayEdit && (
        <div className="max-w-3xl px-5 pb-8">
          <ImportLists lists={lists} />
        </div>
      )}
    </>
  );
}
