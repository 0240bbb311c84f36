import { photoAnswer } from '../../../_lib/photo-answer.ts';
import { currentActor } from '../../../_lib/session.ts';

/** A photo's bytes, whole or small, for people of the shop. */
export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ id: string }> },
): Promise<Response> {
  const { id } = await params;
  if (!(await currentActor())) return new Response('Sign in first.', { status: 401 });
  return photoAnswer(request, id);
}
