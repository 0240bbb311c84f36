import { database, type Database } from '../../server/db/connection.ts';
import { loadJob, type JobView } from '../../server/leaves/load-job.ts';
import { currentActor } from './request-actor.ts';

/** The job a route is asked about by somebody signed in, or the answer that says why not. */
export async function jobAsked<J = JobView>(
  request: Request,
  { number }: { readonly number: string },
  now: Date = new Date(),
  load: (db: Database, number: number) => Promise<J | null> = (db, number) =>
    loadJob(db, number, now) as Promise<J | null>,
): Promise<J | Response> {
  if (!(await currentActor(request))) return new Response('Sign in first.', { status: 401 });
  const job = /^\d{1,9}$/.test(number) ? await load(database(), Number(number)) : null;
  return job ?? new Response('There is no such job.', { status: 404 });
}
