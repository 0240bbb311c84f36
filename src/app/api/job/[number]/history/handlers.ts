import { toHistoryCsv } from '../../../../../contracts/formats/history.ts';
import { database } from '../../../../../server/db/connection.ts';
import { loadHistory } from '../../../../../server/jobs/load-history.ts';
import { currentActor } from '../../../../_lib/request-actor.ts';
import type { At } from '../../../../_lib/address.ts';

/** A job's history as CSV, oldest first. */
export async function GET(request: Request, { params }: At<'number'>): Promise<Response> {
  if (!(await currentActor(request))) return new Response('Sign in first.', { status: 401 });
  const { number } = params;
  const history = /^\d{1,9}$/.test(number) ? await loadHistory(database(), Number(number)) : null;
  if (!history) return new Response('There is no such job.', { status: 404 });
  return new Response(toHistoryCsv(history.entries), {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8; header=present',
      'Content-Disposition': `attachment; filename="job-${number}-history.csv"`,
    },
  });
}
