import Link from '../../../../../../ui/kit/link.tsx';
import { notFound } from 'next/navigation';
import { diffChecklists, isSame } from '../../../../../../core/inspection/checklist-diff.ts';
import { database } from '../../../../../../server/db/connection.ts';
import { loadVersions } from '../../../../../../server/house/load-checklists.ts';
import { DiffView } from '../../../../../../ui/checklists/diff-view.tsx';
import { PageHead } from '../../../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../../../_lib/session.ts';

export const metadata = { title: 'Versions of a checklist' };

/** Every version of a list, each with what it changed. */
export default async function VersionsPage({ params }: { readonly params: Promise<{ list: string }> }) {
  await requireActor();
  const { list } = await params;
  const versions = await loadVersions(database(), list);
  const [newest] = versions;
  if (!newest) notFound();
  return (
    <>
      <PageHead title={newest.name} note="its versions, and what each changed">
        <Link href={`/house/checklists?list=${list}`} className="button">
          Checklists
        </Link>
      </PageHead>
      <div className="max-w-4xl space-y-6 px-5 py-3">
        {versions.map((v, i) => {
          const before = versions[i + 1];
          const diff = before && diffChecklists(before, v);
          return (
            <section key={v.version} aria-labelledby={`v${v.version}`}>
              <h2 id={`v${v.version}`} className="border-b-2 border-plain text-xl">
                Version {v.version}, {v.items.length} items
              </h2>
              {diff ? (
                isSame(diff) ? (
                  <p>The same as before.</p>
                ) : (
                  <DiffView diff={diff} />
                )
              ) : (
                <p>The first the shop has.</p>
              )}
            </section>
          );
        })}
      </div>
    </>
  );
}
