import { z } from 'zod';
import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { tryMessage } from '../../../../server/messages/try-message.ts';
import { LOOK_ONLY_SAYS, lookOnly } from '../../../../server/keep/look-only.ts';
import { MOST, readJson } from '../../../_lib/read-body.ts';
import { sameOrigin } from '../../../_lib/same-origin.ts';
import { currentActor } from '../../../_lib/request-actor.ts';

const asked = z.object({ channel: z.enum(['mail', 'text']), address: z.string().trim().min(1).max(160) });

/** Sends one message to somebody of the shop by the service that is kept, and says how it went. */
export async function POST(request: Request): Promise<Response> {
  if (!sameOrigin(request)) return new Response('Not from here.', { status: 403 });
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  if (!may(actor.role, 'house')) return new Response('A lead or the owner does this.', { status: 403 });
  if (lookOnly() !== null) return new Response(LOOK_ONLY_SAYS, { status: 403 });
  const body = await readJson(request, MOST.few);
  if (body.tooLarge) return new Response('That is too much.', { status: 413 });
  const read = asked.safeParse(body.value);
  if (!read.success) return new Response('To which address?', { status: 400 });
  return Response.json(await tryMessage(database(), read.data.channel, read.data.address));
}
