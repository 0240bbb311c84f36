import { z } from 'zod';
import { LEAVES } from '../../../core/job/leaves.ts';
import { database } from '../../../server/db/connection.ts';
import { beHere } from '../../../server/people/presence.ts';
import { MOST, readJson, tooLarge } from '../../_lib/read-body.ts';
import { sameOrigin } from '../../_lib/same-origin.ts';
import { currentActor } from '../../_lib/request-actor.ts';

const place = z.object({
  number: z.number().int().positive(),
  leaf: z.enum(LEAVES),
  item: z.string().max(40),
});

/** Says where this tablet is, and hears who else is there. */
export async function POST(request: Request): Promise<Response> {
  if (!sameOrigin(request)) return new Response('This request comes from elsewhere.', { status: 403 });
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  const body = await readJson(request, MOST.few);
  if (body.tooLarge) return tooLarge();
  const read = place.safeParse(body.value);
  if (!read.success) return new Response('This is no place.', { status: 422 });
  return Response.json(await beHere(database(), actor, read.data, new Date()));
}
