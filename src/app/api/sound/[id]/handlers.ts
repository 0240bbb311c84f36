import { database } from '../../../../server/db/connection.ts';
import { currentActor } from '../../../_lib/request-actor.ts';
import type { At } from '../../../_lib/address.ts';

/** A sound that was kept with a reading, for people of the shop. */
export async function GET(request: Request, { params }: At<'id'>): Promise<Response> {
  const { id } = params;
  if (!(await currentActor(request))) return new Response('Sign in first.', { status: 401 });
  const sound = /^\d{1,9}$/.test(id) ? await database().models.KeptSound.findByPk(Number(id)) : null;
  if (!sound) return new Response('There is no such sound.', { status: 404 });
  return new Response(new Uint8Array(sound.bytes), {
    headers: {
      'Content-Type': 'audio/wav',
      'Content-Disposition': `inline; filename="sound-${sound.id}.wav"`,
      ETag: `"${sound.digest}"`,
    },
  });
}
