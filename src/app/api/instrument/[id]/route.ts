import { database } from '../../../../server/db/connection.ts';
import { loadInstrument } from '../../../../server/shelf/load-shelf.ts';
import { currentActor } from '../../../_lib/session.ts';

/** An instrument with its visits and their readings. */
export async function GET(
  _request: Request,
  { params }: { readonly params: Promise<{ id: string }> },
): Promise<Response> {
  const { id } = await params;
  if (!(await currentActor())) return new Response('Sign in first.', { status: 401 });
  const found = /^\d{1,9}$/.test(id) ? await loadInstrument(database(), Number(id)) : null;
  return found ? Response.json(found) : new Response('There is no such instrument.', { status: 404 });
}
