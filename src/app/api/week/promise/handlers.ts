import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { promiseDates } from '../../../../server/week/promise-date.ts';
import { tooOften } from '../../../_lib/pace.ts';
import { currentActor } from '../../../_lib/request-actor.ts';

const MOST = 30;

/** When a job that is being taken in could be promised. */
export async function GET(request: Request): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  if (!may(actor.role, 'take-in')) return new Response('Not allowed.', { status: 403 });
  const often = await tooOften('plan', String(actor.deviceId));
  if (often) return often;
  const operations = (new URL(request.url).searchParams.get('operations') ?? '').split(',').slice(0, MOST);
  return Response.json(await promiseDates(database(), operations), {
    headers: { 'Cache-Control': 'no-store' },
  });
}
