import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { openDatabase } from '../../src/server/db/connection.ts';
import { pendingMigrations } from '../../src/server/db/migrate.ts';
import { DATABASE } from '../base/databases.ts';
import { findProgram } from '../base/packages.ts';
import { ROOT } from '../base/paths.ts';
import { addressOf, readCredentials } from '../base/database-accounts.ts';
import { databasePlace } from '../base/database-place.ts';
import { runningServer } from '../base/private-database.ts';
import { runningShop } from '../base/running-shop.ts';

/** What there is of the private database, without starting or changing anything of it. */
function privateDatabase() {
  if (!findProgram('mariadbd')) return { pid: null, known: null };
  const place = databasePlace('database');
  return { pid: runningServer(place), known: readCredentials(place.folder) };
}

async function migrations({ pid, known }: ReturnType<typeof privateDatabase>): Promise<string> {
  const url = process.env['RUBRICA_DATABASE_URL'] ?? (pid !== null && known && addressOf(known, DATABASE));
  if (!url) return 'not looked at: the database is not running';
  const db = openDatabase(url);
  try {
    const open = await pendingMigrations(db.sequelize);
    return open.length === 0 ? 'up to date' : `to run: ${open.join(', ')}`;
  } catch (e) {
    return `cannot be read: ${e instanceof Error ? e.message : String(e)}`;
  } finally {
    await db.sequelize.close();
  }
}

/** Says what is installed, running, listening and migrated. */
export async function run(): Promise<number> {
  const database = privateDatabase();
  const { pid, known } = database;
  const shop = runningShop();
  const rows: ReadonlyArray<readonly [string, string]> = [
    ['Node.js', process.version],
    [
      'npm packages',
      existsSync(join(ROOT, 'node_modules', 'next')) ? 'installed' : 'missing: ./rubrica start installs them',
    ],
    ['MariaDB', findProgram('mariadbd') ?? 'missing: ./rubrica start installs it'],
    ['Chromium (tests)', findProgram('chromium') ?? 'missing: ./rubrica test installs it'],
    ['build', existsSync(join(ROOT, '.next', 'BUILD_ID')) ? 'there' : 'not built yet'],
    [
      'application',
      shop === null ? 'not running' : `running, process ${shop.pid}, http://127.0.0.1:${shop.port}`,
    ],
    ['database', pid === null ? 'not running' : `running, process ${pid}, 127.0.0.1:${known?.port ?? '?'}`],
    ['migrations', await migrations(database)],
  ];
  for (const [what, how] of rows) process.stdout.write(`${what.padEnd(18)} ${how}\n`);
  return 0;
}
