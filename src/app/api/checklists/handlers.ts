import { database } from '../../../server/db/connection.ts';
import { exportChecklists } from '../../../server/house/load-checklists.ts';
import { currentActor } from '../../_lib/request-actor.ts';

/** The shop's checklists as a file in the published format. */
export async function GET(request: Request): Promise<Response> {
  if (!(await currentActor(request))) return new Response('Sign in first.', { status: 401 });
  return new Response(`${JSON.stringify(await exportChecklists(database()), null, 2)}\n`, {
    headers: {
      'Content-Type': 'application/json',
      'Content-Disposition': 'attachment; filename="checklists.json"',
    },
  });
}
