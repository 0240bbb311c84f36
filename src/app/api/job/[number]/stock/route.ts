import { database } from '../../../../../server/db/connection.ts';
import { loadJobStock } from '../../../../../server/stores/load-job-stock.ts';
import { currentActor } from '../../../../_lib/session.ts';

/** What a job takes from the shelves. */
export async function GET(
  _request: Request,
  { params }: { readonly params: Promise<{ number: string }> },
): Promise<Response> {
  if (!(await currentActor())) return new Response('Sign in first.', { status: 401 });
  const { number } = await params;
  const stock = /^\d{1,9}$/.test(number) ? await loadJobStock(database(), Number(number), new Date()) : null;
  return stock ? Response.json(stock) : new Response('There is no such job.', { status: 404 });
}
