import { may } from '../../../core/people/roles.ts';
import { database } from '../../../server/db/connection.ts';
import { importJob } from '../../../server/exchange/import-job.ts';
import { MOST_ZIP_BYTES } from '../../../server/exchange/read-job-file.ts';
import { isFull } from '../../../server/keep/no-room.ts';
import { LOOK_ONLY_SAYS, lookOnly } from '../../../server/keep/look-only.ts';
import { readBytes } from '../../_lib/read-body.ts';
import { sameOrigin } from '../../_lib/same-origin.ts';
import { currentActor } from '../../_lib/request-actor.ts';

const answer = (status: number, body: object): Response => Response.json(body, { status });

/** Brings the zip of a job in, whole or not at all. */
export async function POST(request: Request): Promise<Response> {
  if (!sameOrigin(request)) return answer(403, { ok: false, error: 'This request comes from elsewhere.' });
  const actor = await currentActor(request);
  if (!actor) return answer(401, { ok: false, error: 'Tap your name and PIN again.' });
  if (!may(actor.role, 'house'))
    return answer(403, { ok: false, error: 'A lead or the owner brings jobs in.' });
  if (lookOnly() !== null) return answer(403, { ok: false, error: LOOK_ONLY_SAYS });
  const zip = await readBytes(request, MOST_ZIP_BYTES);
  if (zip === null)
    return answer(413, { ok: false, error: 'The file is larger than 300 MB. Nothing was changed.' });
  try {
    const done = await importJob(database(), actor, zip, new Date());
    return answer(done.ok ? 200 : 422, done);
  } catch (e) {
    if (!isFull(e)) throw e;
    return answer(507, { ok: false, error: 'The disk of the house is full. Nothing was changed.' });
  }
}
