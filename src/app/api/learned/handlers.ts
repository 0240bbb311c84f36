import { may } from '../../../core/people/roles.ts';
import { database } from '../../../server/db/connection.ts';
import { factsCsv } from '../../../server/learn/facts-csv.ts';
import { currentActor } from '../../_lib/request-actor.ts';

/** What was said and what came of it, as CSV; nobody's name stands in it. */
export async function GET(request: Request): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  if (!may(actor.role, 'house')) return new Response('A lead or the owner takes this out.', { status: 403 });
  return new Response(await factsCsv(database(), new Date()), {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': 'attachment; filename="how-it-came-out.csv"',
    },
  });
}
