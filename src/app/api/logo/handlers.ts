import { may } from '../../../core/people/roles.ts';
import { database } from '../../../server/db/connection.ts';
import { keepLogo, loadLogo, MOST_LOGO_BYTES } from '../../../server/photos/logo.ts';
import { LOOK_ONLY_SAYS, lookOnly } from '../../../server/keep/look-only.ts';
import { readBytes } from '../../_lib/read-body.ts';
import { sameOrigin } from '../../_lib/same-origin.ts';
import { currentActor } from '../../_lib/request-actor.ts';

const answer = (status: number, body: object): Response => Response.json(body, { status });

/** The shop's logo: it stands on papers that customers hold, and is no secret. */
export async function GET(): Promise<Response> {
  const logo = await loadLogo(database());
  if (!logo) return new Response('There is no logo.', { status: 404 });
  return new Response(new Uint8Array(logo.bytes), {
    headers: { 'Content-Type': 'image/png', 'Cache-Control': 'no-cache', ETag: `"${logo.digest}"` },
  });
}

/** Keeps a picture as the logo; an empty body takes it away. */
export async function POST(request: Request): Promise<Response> {
  if (!sameOrigin(request)) return answer(403, { ok: false, error: 'This request comes from elsewhere.' });
  const actor = await currentActor(request);
  if (!actor) return answer(401, { ok: false, error: 'Tap your name and PIN again.' });
  if (!may(actor.role, 'house'))
    return answer(403, { ok: false, error: 'A lead or the owner changes the logo.' });
  if (lookOnly() !== null) return answer(403, { ok: false, error: LOOK_ONLY_SAYS });
  const bytes = await readBytes(request, MOST_LOGO_BYTES);
  if (bytes === null) return answer(413, { ok: false, error: 'The picture is larger than 4 MB.' });
  const kept = await keepLogo(database(), actor, bytes, new Date());
  return answer(kept.ok ? 200 : 422, kept);
}
