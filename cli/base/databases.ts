import { QueryTypes } from 'sequelize';
import { openDatabase } from '../../src/server/db/connection.ts';
import type { PrivateDatabase } from './private-database.ts';

/** The database of the house on its server. */
export const DATABASE = 'rubrica';

/** Makes a database on a server when it is not there yet. */
export async function ensureDatabase(server: PrivateDatabase, name: string): Promise<string> {
  const admin = openDatabase(server.url('information_schema'));
  await admin.sequelize.query(
    `CREATE DATABASE IF NOT EXISTS \`${name}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
  );
  await admin.sequelize.close();
  return server.url(name);
}

/** How many jobs a server's house holds; null when there is no record yet. */
export async function jobsAtStake(server: PrivateDatabase): Promise<number | null> {
  const db = openDatabase(server.url('information_schema'));
  try {
    const [table] = await db.sequelize.query<{ n: number }>(
      "SELECT COUNT(*) AS n FROM tables WHERE table_schema = ? AND table_name = 'jobs'",
      { type: QueryTypes.SELECT, replacements: [DATABASE] },
    );
    if (Number(table?.n) === 0) return null;
    const [jobs] = await db.sequelize.query<{ n: number }>(`SELECT COUNT(*) AS n FROM \`${DATABASE}\`.jobs`, {
      type: QueryTypes.SELECT,
    });
    return Number(jobs?.n ?? 0);
  } finally {
    await db.sequelize.close();
  }
}
