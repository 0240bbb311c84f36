import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { findAnything } from '../../../../server/find/find-anything.ts';
import { currentActor } from '../../../_lib/request-actor.ts';

/** Anything the shop knows, by a piece of text. */
export async function GET(request: Request): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor || !may(actor.role, 'see')) return Response.json({ rows: [], read: [] }, { status: 401 });
  return Response.json(await findAnything(database(), new URL(request.url).searchParams.get('q') ?? ''));
}
