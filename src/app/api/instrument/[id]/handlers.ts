import { database } from '../../../../server/db/connection.ts';
import { loadInstrument } from '../../../../server/shelf/load-shelf.ts';
import { currentActor } from '../../../_lib/request-actor.ts';
import type { At } from '../../../_lib/address.ts';

/** An instrument with its visits and their readings. */
export async function GET(request: Request, { params }: At<'id'>): Promise<Response> {
  const { id } = params;
  if (!(await currentActor(request))) return new Response('Sign in first.', { status: 401 });
  const found = /^\d{1,9}$/.test(id) ? await loadInstrument(database(), Number(id)) : null;
  return found ? Response.json(found) : new Response('There is no such instrument.', { status: 404 });
}
