import { database } from '../../../../server/db/connection.ts';
import { remediesOf } from '../../../../server/week/try-week.ts';
import { tooOften } from '../../../_lib/pace.ts';
import { currentActor } from '../../../_lib/request-actor.ts';
import { whileWaitedFor } from '../../../_lib/while-waited-for.ts';

/** What would save a job's date: each way tried before it is told. */
export async function GET(request: Request): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  const often = await tooOften('plan', String(actor.deviceId));
  if (often) return often;
  const job = Number(new URL(request.url).searchParams.get('job'));
  if (!Number.isSafeInteger(job) || job < 1) return new Response('Which job?', { status: 422 });
  return whileWaitedFor(remediesOf(database(), job, new Date(), request.signal));
}
