import { database } from '../../../server/db/connection.ts';
import { loadFrame } from '../../../server/people/load-frame.ts';
import { currentActor } from '../../_lib/request-actor.ts';

/** What the frame around every page shows whoever asks. */
export async function GET(request: Request): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  return Response.json(await loadFrame(database(), actor.personId), {
    headers: { 'Cache-Control': 'no-store' },
  });
}
