import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { COMMANDS, type CommandName } from '../../../contracts/commands/commands.ts';
import type { Failure } from '../../../contracts/failure.ts';
import { may } from '../../../core/people/roles.ts';
import { database } from '../../../server/db/connection.ts';
import { countSoon } from '../../../server/jobs/job-facts.ts';
import { wakeFeed } from '../../../server/live/feed.ts';
import { countCommand } from '../../../server/keep/metrics.ts';
import { houseLog } from '../../../server/keep/log.ts';
import { isFull } from '../../../server/keep/no-room.ts';
import { execute } from '../../../server/door/execute.ts';
import { MOST, readJson, tooLarge } from '../../_lib/read-body.ts';
import { tooOften } from '../../_lib/pace.ts';
import { sameOrigin } from '../../_lib/same-origin.ts';
import { actingActor } from '../../_lib/request-actor.ts';

const envelope = z.object({
  id: z.uuid(),
  name: z.enum(Object.keys(COMMANDS) as [CommandName, ...CommandName[]]),
  input: z.unknown(),
});

const STATUS: Readonly<Record<Failure['code'], number>> = {
  invalid: 422,
  conflict: 409,
  'not-found': 404,
  'not-allowed': 403,
  'signed-out': 401,
  closed: 409,
  refused: 409,
};

const answer = (error: Failure): Response =>
  Response.json({ ok: false, error }, { status: STATUS[error.code] });

/** The one door for changes: a command's name, its input and an id that makes a repeat harmless. */
export async function POST(request: Request): Promise<Response> {
  if (!sameOrigin(request))
    return answer({ code: 'not-allowed', message: 'This request comes from elsewhere.' });
  const actor = await actingActor(request);
  if (!actor)
    return answer({
      code: 'signed-out',
      message: 'Tap your name and PIN again; what you typed is kept here.',
    });
  const often = await tooOften('command', String(actor.deviceId));
  if (often) return often;
  // A book of customers is brought in by who may; nobody else sends that much.
  const body = await readJson(request, may(actor.role, 'house') ? MOST.book : MOST.command, false);
  if (body.tooLarge) return tooLarge();
  const read = envelope.safeParse(body.value);
  if (!read.success) return answer({ code: 'invalid', message: 'This is not a command.', fields: {} });
  const { id, name, input } = read.data;
  const began = performance.now();
  const done = await execute(database(), actor, name, input, id).catch((error: unknown) => {
    const request = randomUUID().slice(0, 8);
    houseLog().error('a command failed', { request, command: id, name, error });
    const status = isFull(error) ? 507 : 500;
    return Response.json({ ok: false, error: { code: 'fault', request } }, { status });
  });
  const outcome = done instanceof Response ? 'fault' : done.ok ? 'ok' : done.error.code;
  countCommand(name, outcome, began);
  if (done instanceof Response) return done;
  if (done.ok) {
    wakeFeed();
    countSoon(database(), (error) => houseLog().error('counting failed', { error }));
  }
  return done.ok ? Response.json({ ok: true, value: done.value }) : answer(done.error);
}
