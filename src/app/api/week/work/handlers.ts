import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { workToSearch } from '../../../../server/week/try-week.ts';
import { tooOften } from '../../../_lib/pace.ts';
import { currentActor } from '../../../_lib/request-actor.ts';

/** The shop's work and its plan, for a search that runs beside the page of whoever plans. */
export async function GET(request: Request): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  if (!may(actor.role, 'plan')) return new Response('Not allowed.', { status: 403 });
  const often = await tooOften('plan', String(actor.deviceId));
  if (often) return often;
  return Response.json(await workToSearch(database()), { headers: { 'cache-control': 'no-store' } });
}
