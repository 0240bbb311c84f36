import { database } from '../../../server/db/connection.ts';
import { isReady } from '../../../server/keep/is-ready.ts';

/** Whether the house is open: the application answers, and its database serves the record this release keeps. */
export async function GET(): Promise<Response> {
  const ok = await isReady(database()).catch(() => false);
  return Response.json({ ok }, { status: ok ? 200 : 503 });
}
