import { database } from '../../../../../server/db/connection.ts';
import { loadSounding } from '../../../../../server/practice/load-practice.ts';
import { currentActor } from '../../../../_lib/request-actor.ts';
import type { At } from '../../../../_lib/address.ts';

const WHOLE = /^\d{1,9}$/;

/** A string of one's own practice instrument over its frets, to be made into a sound by the page. */
export async function GET(request: Request, { params }: At<'id'>): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  const { id } = params;
  const query = new URL(request.url).searchParams;
  const [string, held] = [query.get('string') ?? '', query.get('held') ?? ''];
  if (![id, string, held].every((n) => WHOLE.test(n)))
    return new Response('Which string, and held where?', { status: 400 });
  const place = { string: Number(string), held: Number(held) };
  const sounding = await loadSounding(database(), actor.personId, Number(id), place);
  return sounding
    ? Response.json(sounding)
    : new Response('There is no such practice instrument of yours.', { status: 404 });
}
