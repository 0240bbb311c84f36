import { LEAVES, type Leaf } from '../../../../../core/job/leaves.ts';
import { loadLeaf } from '../../../../../server/leaves/load-leaf.ts';
import { jobAsked } from '../../../../_lib/job-asked.ts';
import type { At } from '../../../../_lib/address.ts';

const isLeaf = (part: string): part is Leaf => (LEAVES as readonly string[]).includes(part);

/** What one leaf shows of a job, for the screen that shows it. */
export async function GET(request: Request, { params }: At<'number' | 'part'>): Promise<Response> {
  const { part } = params;
  if (!isLeaf(part)) return new Response('A job has no such part.', { status: 404 });
  const job = await jobAsked(request, params, new Date(), (db, number) => loadLeaf(db, number, part));
  if (job instanceof Response) return job;
  return Response.json(job, { headers: { 'Cache-Control': 'no-store' } });
}
