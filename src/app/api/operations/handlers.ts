import { operationsFile } from '../../../contracts/formats/operations-file.ts';
import { database } from '../../../server/db/connection.ts';
import { loadOperations } from '../../../server/house/load-operations.ts';
import { currentActor } from '../../_lib/request-actor.ts';

/** What the shop offers, in the published format. */
export async function GET(request: Request): Promise<Response> {
  if (!(await currentActor(request))) return new Response('Sign in first.', { status: 401 });
  const { operations } = await loadOperations(database());
  return new Response(`${JSON.stringify(operationsFile(operations), null, 2)}\n`, {
    headers: {
      'Content-Type': 'application/json; charset=utf-8',
      'Content-Disposition': 'attachment; filename="operations.json"',
    },
  });
}
