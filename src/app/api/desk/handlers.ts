import { database } from '../../../server/db/connection.ts';
import { findAtDesk } from '../../../server/desk/load-desk.ts';
import { currentActor } from '../../_lib/request-actor.ts';

/** What is here and who is known, by a tag, serial, name or telephone. */
export async function GET(request: Request): Promise<Response> {
  if (!(await currentActor(request))) return Response.json(null, { status: 401 });
  return Response.json(await findAtDesk(database(), new URL(request.url).searchParams.get('q') ?? ''));
}
