import { z } from 'zod';
import { COMMANDS, type CommandName } from '../../../contracts/commands.ts';
import type { Failure } from '../../../contracts/failure.ts';
import { database } from '../../../server/db/connection.ts';
import { wakeFeed } from '../../../server/events/feed.ts';
import { execute } from '../../../server/use-case/execute.ts';
import { sameOrigin } from '../../_lib/same-origin.ts';
import { currentActor } from '../../_lib/session.ts';

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
  const actor = await currentActor();
  if (!actor)
    return answer({
      code: 'signed-out',
      message: 'Tap your name and PIN again; what you typed is kept here.',
    });
  const body: unknown = await request.json().catch(() => null);
  const read = envelope.safeParse(body);
  if (!read.success) return answer({ code: 'invalid', message: 'This is not a command.', fields: {} });
  const done = await execute(database(), actor, read.data.name, read.data.input, read.data.id);
  if (done.ok) wakeFeed();
  return done.ok ? Response.json({ ok: true, value: done.value }) : answer(done.error);
}
