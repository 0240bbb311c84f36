import Link from '../../../../../ui/kit/link.tsx';
import { notFound } from 'next/navigation';
import { database } from '../../../../../server/db/connection.ts';
import { loadHistory } from '../../../../../server/jobs/load-history.ts';
import { HistoryList } from '../../../../../ui/leaves/history-list.tsx';
import { PageHead } from '../../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../../_lib/session.ts';

export const metadata = { title: 'History' };

/** A job's own history: everything that changed, when, by whom, from what to what. */
export default async function HistoryPage({ params }: { readonly params: Promise<{ number: string }> }) {
  await requireActor();
  const { number } = await params;
  const history = /^\d{1,9}$/.test(number) ? await loadHistory(database(), Number(number)) : null;
  if (!history) notFound();
  return (
    <>
      <PageHead title={`History of ${number}`} note={`${history.entries.length} changes`}>
        <a className="button" href={`/api/job/${number}/history`} download={`job-${number}-history.csv`}>
          As CSV
        </a>
        <Link className="button" href={`/job/${number}/arrival`}>
          The job
        </Link>
      </PageHead>
      <HistoryList history={history} />
    </>
  );
}
