import { database } from '../../../server/db/connection.ts';
import { LOOK_ONLY_SAYS, lookOnly } from '../../../server/keep/look-only.ts';
import { uploadServer } from '../../../server/photos/upload-server.ts';
import { sameOrigin } from '../../_lib/same-origin.ts';
import { actingActor } from '../../_lib/request-actor.ts';

/** One door for every step of a resumable upload; who sends is checked at each. */
async function handle(request: Request): Promise<Response> {
  if (request.method !== 'HEAD' && !sameOrigin(request)) {
    return new Response('This request comes from elsewhere.', { status: 403 });
  }
  const actor = await actingActor(request);
  if (!actor)
    return new Response('Tap your name and PIN again; the photo is kept on this tablet.', { status: 401 });
  if (lookOnly() !== null) return new Response(LOOK_ONLY_SAYS, { status: 403 });
  return uploadServer(database(), actor).handleWeb(request);
}

export { handle as POST, handle as HEAD, handle as PATCH, handle as DELETE };
