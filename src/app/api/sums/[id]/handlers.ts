import { runSum } from '../../../../core/sums/run-sum.ts';
import type { SumError } from '../../../../core/sums/sum.ts';
import { MOST, readBytes } from '../../../_lib/read-body.ts';
import type { At } from '../../../_lib/address.ts';

const refused = (status: number, error: SumError): Response => Response.json(error, { status });

/** Runs a sum. It reads and changes nothing of the shop, so it asks nobody's name. */
export async function POST(request: Request, { params }: At<'id'>): Promise<Response> {
  const { id } = params;
  const bytes = await readBytes(request, MOST.sum);
  if (bytes === null) return refused(413, { code: 'invalid', field: '', message: 'The input is too long.' });
  let input: unknown;
  try {
    input = JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    return refused(400, { code: 'invalid', field: '', message: 'The input is not JSON.' });
  }
  const done = runSum(id, input);
  if (done.ok) return Response.json(done.value);
  return refused(done.error.code === 'unknown-sum' ? 404 : 400, done.error);
}
