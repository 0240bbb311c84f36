import { readJobQuery } from '../../../../core/find/job-query.ts';
import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { jobsCsv } from '../../../../server/find/jobs-csv.ts';
import { doorEvent } from '../../../../server/people/door-event.ts';
import { currentActor } from '../../../_lib/request-actor.ts';

/** The jobs of a list as CSV: whom the shop works for leaves the house with it, so a lead or the owner takes it out. */
export async function GET(request: Request): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  if (!may(actor.role, 'house')) return new Response('A lead or the owner takes this out.', { status: 403 });
  const params = Object.fromEntries(new URL(request.url).searchParams);
  const db = database();
  await doorEvent(db.models, 'jobs taken out', { ...actor, at: new Date() });
  const text = await jobsCsv(db, readJobQuery(params), (params['hidden'] ?? '').split(','));
  return new Response(text, {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': 'attachment; filename="jobs.csv"',
    },
  });
}
