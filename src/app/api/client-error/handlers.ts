import { z } from 'zod';
import { houseLog } from '../../../server/keep/log.ts';
import { MOST, readJson, tooLarge } from '../../_lib/read-body.ts';
import { sameOrigin } from '../../_lib/same-origin.ts';
import { currentActor } from '../../_lib/request-actor.ts';

const fault = z.object({
  where: z.string().max(80),
  kind: z.string().max(80),
  stack: z.array(z.string().max(200)).max(8),
  path: z.string().max(120),
});

/** A fault of a screen, for the house's log. */
export async function POST(request: Request): Promise<Response> {
  if (!sameOrigin(request)) return new Response(null, { status: 403 });
  if (!(await currentActor(request))) return new Response(null, { status: 401 });
  const body = await readJson(request, MOST.few);
  if (body.tooLarge) return tooLarge();
  const read = fault.safeParse(body.value);
  if (!read.success) return new Response(null, { status: 422 });
  const { where, kind, stack, path } = read.data;
  const error = Object.assign(new Error(`on a screen: ${where}`), { name: kind, stack: stack.join('\n') });
  houseLog().warn('a screen failed', { at: path, error });
  return new Response(null, { status: 204 });
}
