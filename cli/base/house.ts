import { QueryTypes } from 'sequelize';
import { fillDemo } from '../../src/demo/fill-demo.ts';
import { fillEmptyShop } from '../../src/demo/fill-empty-shop.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { migrate } from '../../src/server/db/migrate.ts';
import { startDatabase, type PrivateDatabase } from './private-database.ts';
import { say } from './say.ts';
import { houseSecret } from './secret.ts';

export const DATABASE = 'rubrica';

export interface House {
  readonly url: string;
  readonly secret: string;
  readonly db: Database;
  readonly close: () => Promise<void>;
}

/** Makes a database on a server when it is not there yet. */
export async function ensureDatabase(server: PrivateDatabase, name: string): Promise<string> {
  const admin = openDatabase(server.url('information_schema'));
  await admin.sequelize.query(
    `CREATE DATABASE IF NOT EXISTS \`${name}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
  );
  await admin.sequelize.close();
  return server.url(name);
}

async function count({ sequelize }: Database): Promise<number> {
  const rows = await sequelize.query<{ n: number }>('SELECT COUNT(*) AS n FROM people', {
    type: QueryTypes.SELECT,
  });
  return Number(rows[0]?.n ?? 0);
}

/** Opens the house's database, private or outside, brings it up to date, and fills it when it is empty. */
export async function openHouse(fill: 'demo' | 'empty' | 'leave'): Promise<House> {
  const secret = houseSecret();
  process.env['RUBRICA_SECRET'] = secret;
  const outside = process.env['RUBRICA_DATABASE_URL'];
  const server = outside ? null : await startDatabase('database');
  const url = server ? await ensureDatabase(server, DATABASE) : (outside ?? '');
  const db = openDatabase(url);
  const ran = await migrate(db.sequelize);
  if (ran.length > 0) say(`migrated: ${ran.join(', ')}`);
  if (fill !== 'leave' && (await count(db)) === 0) {
    say(fill === 'demo' ? 'loading the demo shop …' : 'setting up an empty shop …');
    await (fill === 'demo' ? fillDemo(db, new Date()) : fillEmptyShop(db));
  }
  return {
    url,
    secret,
    db,
    close: async () => {
      await db.sequelize.close();
      await server?.stop();
    },
  };
}
