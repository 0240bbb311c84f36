import { NobodyWaits } from '../../server/week/in-slices.ts';

/**
 * Answers with what was computed; where whoever asked has gone meanwhile, with nothing.
 * @throws whatever else goes wrong
 */
export async function whileWaitedFor(found: Promise<unknown>): Promise<Response> {
  try {
    return Response.json(await found, { headers: { 'Cache-Control': 'no-store' } });
  } catch (e) {
    if (e instanceof NobodyWaits) return new Response('Nobody waits for it.', { status: 499 });
    throw e;
  }
}
