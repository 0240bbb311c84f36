import { readJobQuery } from '../../../../core/find/job-query.ts';
import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { listJobs } from '../../../../server/find/list-jobs.ts';
import { loadViews } from '../../../../server/find/views.ts';
import { offeredKinds } from '../../../../server/house/kinds.ts';
import { JobsList } from '../../../../ui/find/jobs-list.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Every job' };

export default async function JobsPage({
  searchParams,
}: {
  readonly searchParams: Promise<Readonly<Record<string, string | undefined>>>;
}) {
  const actor = await requireActor();
  const db = database();
  const query = readJobQuery(await searchParams);
  const [{ rows, count }, views, kinds] = await Promise.all([
    listJobs(db, query),
    loadViews(db, actor.personId),
    offeredKinds(db),
  ]);
  return (
    <>
      <PageHead title="Every job" note="narrowed, ordered, kept as a view" />
      <JobsList
        rows={rows}
        count={count}
        query={query}
        kinds={kinds.map(({ id, name }) => ({ id, name }))}
        views={views}
        mayTake={may(actor.role, 'house')}
      />
    </>
  );
}
