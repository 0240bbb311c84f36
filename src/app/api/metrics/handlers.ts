import { metrics } from '../../../server/keep/metrics.ts';
import { isFromHere } from '../../_lib/reached.ts';

/** What is counted in this process, for a collector on this machine; nobody else is told. */
export async function GET(request: Request): Promise<Response> {
  if (!isFromHere(request.headers)) return new Response('Only on the machine itself.', { status: 403 });
  const { registry } = metrics();
  return new Response(await registry.metrics(), { headers: { 'Content-Type': registry.contentType } });
}
