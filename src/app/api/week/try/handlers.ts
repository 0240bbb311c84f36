import { weekTry } from '../../../../contracts/week-try.ts';
import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { tryWeek } from '../../../../server/week/try-week.ts';
import { tooOften } from '../../../_lib/pace.ts';
import { currentActor } from '../../../_lib/request-actor.ts';
import { whileWaitedFor } from '../../../_lib/while-waited-for.ts';

/** Another plan beside the one that holds, by what is asked in the address. Nothing is changed. */
export async function GET(request: Request): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  if (!may(actor.role, 'plan')) return new Response('Not allowed.', { status: 403 });
  const often = await tooOften('plan', String(actor.deviceId));
  if (often) return often;
  const asked = weekTry.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!asked.success) {
    const fields = Object.fromEntries(asked.error.issues.map((i) => [i.path.join('.'), i.message]));
    return Response.json({ message: 'Something is missing or cannot be read.', fields }, { status: 422 });
  }
  return whileWaitedFor(tryWeek(database(), asked.data, new Date(), request.signal));
}
