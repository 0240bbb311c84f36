import { targetsFile } from '../../../contracts/formats/targets.ts';
import { database } from '../../../server/db/connection.ts';
import { loadTargets } from '../../../server/house/load-targets.ts';
import { currentActor } from '../../_lib/request-actor.ts';

/** What the shop aims at, in the published format. */
export async function GET(request: Request): Promise<Response> {
  if (!(await currentActor(request))) return new Response('Sign in first.', { status: 401 });
  const { targets } = await loadTargets(database());
  return new Response(`${JSON.stringify(targetsFile(targets), null, 2)}\n`, {
    headers: {
      'Content-Type': 'application/json; charset=utf-8',
      'Content-Disposition': 'attachment; filename="targets.json"',
    },
  });
}
