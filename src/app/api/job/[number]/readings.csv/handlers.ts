import { toReadingsCsv } from '../../../../../contracts/formats/readings.ts';
import { database } from '../../../../../server/db/connection.ts';
import { loadJob } from '../../../../../server/leaves/load-job.ts';
import { currentActor } from '../../../../_lib/request-actor.ts';
import type { At } from '../../../../_lib/address.ts';

/** Every reading of a job as CSV. */
export async function GET(request: Request, { params }: At<'number'>): Promise<Response> {
  if (!(await currentActor(request))) return new Response('Sign in first.', { status: 401 });
  const { number } = params;
  const job = /^\d{1,9}$/.test(number) ? await loadJob(database(), Number(number)) : null;
  if (!job) return new Response('There is no such job.', { status: 404 });
  const asRead = job.readings.readings.filter((r) => r.converted === null || r.value !== r.standard);
  return new Response(toReadingsCsv(asRead), {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8; header=present',
      'Content-Disposition': `attachment; filename="job-${number}-readings.csv"`,
    },
  });
}
