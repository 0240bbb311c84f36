import { database } from '../../../server/db/connection.ts';
import { loadRackPage } from '../../../server/rack/load-rack.ts';
import { currentActor } from '../../_lib/request-actor.ts';

/** What hangs on the rack, for a screen that shows it already. */
export async function GET(request: Request): Promise<Response> {
  if (!(await currentActor(request))) return new Response('Sign in first.', { status: 401 });
  return Response.json(await loadRackPage(database()), { headers: { 'Cache-Control': 'no-store' } });
}
