import { database } from '../../server/db/connection.ts';
import { loadJob, type JobView } from '../../server/leaves/load-job.ts';
import { currentActor } from './session.ts';

/** The job a route is asked about by somebody signed in, or the answer that says why not. */
export async function jobAsked(
  params: Promise<{ readonly number: string }>,
  now: Date = new Date(),
): Promise<JobView | Response> {
  if (!(await currentActor())) return new Response('Sign in first.', { status: 401 });
  const { number } = await params;
  const job = /^\d{1,9}$/.test(number) ? await loadJob(database(), Number(number), now) : null;
  return job ?? new Response('There is no such job.', { status: 404 });
}
