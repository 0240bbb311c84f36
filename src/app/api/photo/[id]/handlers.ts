import { photoAnswer } from '../../../_lib/photo-answer.ts';
import { currentActor } from '../../../_lib/request-actor.ts';
import type { At } from '../../../_lib/address.ts';

/** A photo's bytes, whole or small, for people of the shop. */
export async function GET(request: Request, { params }: At<'id'>): Promise<Response> {
  const { id } = params;
  if (!(await currentActor(request))) return new Response('Sign in first.', { status: 401 });
  return photoAnswer(request, id);
}
