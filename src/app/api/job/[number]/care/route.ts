import { loadJobCare } from '../../../../../server/care/load-job-care.ts';
import { database } from '../../../../../server/db/connection.ts';
import { currentActor } from '../../../../_lib/session.ts';

/** What may touch the instrument of a job. */
export async function GET(
  _request: Request,
  { params }: { readonly params: Promise<{ number: string }> },
): Promise<Response> {
  if (!(await currentActor())) return new Response('Sign in first.', { status: 401 });
  const { number } = await params;
  const care = /^\d{1,9}$/.test(number) ? await loadJobCare(database(), Number(number)) : null;
  return care ? Response.json(care) : new Response('There is no such job.', { status: 404 });
}
