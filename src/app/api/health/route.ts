import { database } from '../../../server/db/connection.ts';

export const dynamic = 'force-dynamic';

/** Whether the house is open: the application answers and reaches its database. */
export async function GET(): Promise<Response> {
  try {
    await database().sequelize.authenticate();
    return Response.json({ ok: true });
  } catch {
    return Response.json({ ok: false }, { status: 503 });
  }
}
