import { loadJobCare } from '../../../../../server/care/load-job-care.ts';
import { database } from '../../../../../server/db/connection.ts';
import { currentActor } from '../../../../_lib/request-actor.ts';
import type { At } from '../../../../_lib/address.ts';

/** What may touch the instrument of a job. */
export async function GET(request: Request, { params }: At<'number'>): Promise<Response> {
  if (!(await currentActor(request))) return new Response('Sign in first.', { status: 401 });
  const { number } = params;
  const care = /^\d{1,9}$/.test(number) ? await loadJobCare(database(), Number(number)) : null;
  return care ? Response.json(care) : new Response('There is no such job.', { status: 404 });
}
