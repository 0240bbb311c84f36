import { z } from 'zod';
import { stringsState } from '../../../../contracts/commands/fields.ts';
import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { promiseDates } from '../../../../server/week/promise-date.ts';
import { tooOften } from '../../../_lib/pace.ts';
import { MOST, readJson, tooLarge } from '../../../_lib/read-body.ts';
import { currentActor } from '../../../_lib/request-actor.ts';
import { sameOrigin } from '../../../_lib/same-origin.ts';

const asked = z.object({
  operations: z.array(z.string().max(40)).max(30).default([]),
  said: z.string().max(4000).default(''),
  kind: z.string().max(40).default(''),
  strings: stringsState.default('at-pitch'),
  neededBy: z.iso.date().nullable().default(null),
  instrumentId: z.number().int().positive().nullable().default(null),
});

/** When a job that is being taken in could be promised. What the customer says stands in no address, so in no log. */
export async function POST(request: Request): Promise<Response> {
  if (!sameOrigin(request)) return new Response('This request comes from elsewhere.', { status: 403 });
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  if (!may(actor.role, 'take-in')) return new Response('Not allowed.', { status: 403 });
  const often = await tooOften('plan', String(actor.deviceId));
  if (often) return often;
  const body = await readJson(request, MOST.few);
  if (body.tooLarge) return tooLarge();
  const read = asked.safeParse(body.value);
  if (!read.success) return new Response('This is nothing that can be promised.', { status: 422 });
  return Response.json(await promiseDates(database(), read.data), {
    headers: { 'Cache-Control': 'no-store' },
  });
}
