import { database } from '../../../../../server/db/connection.ts';
import { loadJobStock } from '../../../../../server/stores/load-job-stock.ts';
import { currentActor } from '../../../../_lib/request-actor.ts';
import type { At } from '../../../../_lib/address.ts';

/** What a job takes from the shelves. */
export async function GET(request: Request, { params }: At<'number'>): Promise<Response> {
  if (!(await currentActor(request))) return new Response('Sign in first.', { status: 401 });
  const { number } = params;
  const stock = /^\d{1,9}$/.test(number) ? await loadJobStock(database(), Number(number), new Date()) : null;
  return stock ? Response.json(stock) : new Response('There is no such job.', { status: 404 });
}
