import { database } from '../../../../../server/db/connection.ts';
import { tokenHash } from '../../../../../server/people/tokens.ts';
import { feedOf } from '../../../../../server/week/feed.ts';
import { tooOften } from '../../../../_lib/pace.ts';
import type { At } from '../../../../_lib/address.ts';

/** One person's steps as a calendar, by the link only they have: no session is needed. */
export async function GET(_request: Request, { params }: At<'token'>): Promise<Response> {
  const { token } = params;
  const often = await tooOften('link', tokenHash(token));
  if (often) return often;
  const feed = await feedOf(database(), token);
  if (feed === null) return new Response('This link opens nothing.', { status: 404 });
  return new Response(feed, {
    headers: { 'Content-Type': 'text/calendar; charset=utf-8', 'Cache-Control': 'no-store' },
  });
}
