import { existsSync, readFileSync, statfsSync } from 'node:fs';
import { join } from 'node:path';
import { isOverdue } from '../../src/core/readings/gauge.ts';
import { QueryTypes } from 'sequelize';
import { addressesOf, nodeStates } from '../../src/server/db/cluster.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { pendingMigrations } from '../../src/server/db/migrate.ts';
import { loadGauges } from '../../src/server/house/load-gauges.ts';
import { loadUpkeep } from '../../src/server/upkeep/load-upkeep.ts';
import { DATABASE } from '../base/databases.ts';
import { findProgram } from '../base/packages.ts';
import { home, ROOT } from '../base/paths.ts';
import { addressOf, readCredentials } from '../base/database-accounts.ts';
import { databasePlace } from '../base/database-place.ts';
import { runningServer } from '../base/private-database.ts';
import { release } from '../base/release.ts';
import { runningShop } from '../base/running-shop.ts';
import { endsAt } from '../lan/trust-page.ts';
import { megabytes } from '../base/say.ts';
import {
  certificateTrouble,
  clockTrouble,
  copyTrouble,
  diskTrouble,
  gaugeTrouble,
  nodesTrouble,
  sealTrouble,
} from '../watch/troubles.ts';

/** One thing that was looked at: how it is, and what to do where something is wrong. */
interface Finding {
  readonly what: string;
  readonly how: string;
  readonly trouble?: string | null;
}

/** What there is of the private database, without starting or changing anything of it. */
function privateDatabase() {
  if (!findProgram('mariadbd')) return { pid: null, known: null };
  const place = databasePlace('database');
  return { pid: runningServer(place), known: readCredentials(place.folder) };
}

const installed = (): readonly Finding[] => {
  const missing = (is: unknown, command: string) => (is ? null : `missing: ./rubrica ${command} installs it`);
  const modules = existsSync(join(ROOT, 'node_modules', 'next'));
  return [
    { what: 'Rubrica', how: release() },
    { what: 'Node.js', how: process.version },
    { what: 'npm packages', how: modules ? 'installed' : 'missing', trouble: missing(modules, 'start') },
    {
      what: 'MariaDB',
      how: findProgram('mariadbd') ?? 'missing',
      trouble: missing(findProgram('mariadbd'), 'start'),
    },
    {
      what: 'proxy (--lan)',
      how: findProgram('caddy') ?? 'not installed: ./rubrica start --lan installs it',
    },
    { what: 'Chromium (tests)', how: findProgram('chromium') ?? 'not installed: ./rubrica test installs it' },
    { what: 'build', how: existsSync(join(ROOT, '.next', 'BUILD_ID')) ? 'there' : 'not built yet' },
  ];
};

function disk(): Finding {
  const { bavail, blocks, bsize } = statfsSync(existsSync(home()) ? home() : ROOT);
  const [free, all] = [bavail * bsize, blocks * bsize];
  return {
    what: 'disk',
    how: `${megabytes(free)} free of ${megabytes(all)}`,
    trouble: diskTrouble(free, all),
  };
}

function certificate(): Finding[] {
  const file = join(home(), 'proxy/authority/pki/authorities/local/root.crt');
  if (!existsSync(file)) return [];
  const trouble = certificateTrouble(endsAt(readFileSync(file, 'utf8')), Date.now());
  return [{ what: 'certificate', how: trouble === null ? 'good' : 'near its end', trouble }];
}

async function record(db: Database): Promise<readonly Finding[]> {
  const now = Date.now();
  const open = await pendingMigrations(db.sequelize);
  if (open.length > 0)
    return [
      {
        what: 'record',
        how: 'of an earlier release',
        trouble: `./rubrica start brings it up to date: ${open.join(', ')}`,
      },
    ];
  const [upkeep, gauges, newest] = await Promise.all([
    loadUpkeep(db, now),
    loadGauges(db),
    db.models.EventRow.max<Date, InstanceType<typeof db.models.EventRow>>('at'),
  ]);
  const due = gauges.filter((g) => !g.retired && isOverdue(g, now)).map((g) => g.name);
  return [
    { what: 'record', how: 'up to date' },
    {
      what: 'clock',
      how: new Date(now).toISOString(),
      trouble: clockTrouble(newest ? new Date(newest).getTime() : null, now),
    },
    {
      what: 'copies',
      how: upkeep.copies.good ? `last good one ${upkeep.copies.good.at}` : 'none yet',
      trouble: copyTrouble(upkeep.copies),
    },
    {
      what: 'seals',
      how: upkeep.seals.good ? `last found whole ${upkeep.seals.good.at}` : 'not checked yet',
      trouble: sealTrouble(upkeep.seals),
    },
    {
      what: 'gauges',
      how: due.length === 0 ? 'none is due' : `${due.length} due`,
      trouble: gaugeTrouble(due),
    },
  ];
}

/** What a node says of its cluster. */
async function askNode(address: string): Promise<Readonly<Record<string, string>>> {
  const { sequelize } = openDatabase(address);
  try {
    const rows = await sequelize.query<{ Variable_name: string; Value: string }>(
      "SHOW GLOBAL STATUS LIKE 'wsrep\\_%'",
      { type: QueryTypes.SELECT },
    );
    return Object.fromEntries(rows.map((r) => [r.Variable_name, r.Value]));
  } finally {
    await sequelize.close();
  }
}

/** The nodes of a record that is on several machines. */
async function nodes(): Promise<readonly Finding[]> {
  const url = process.env['RUBRICA_DATABASE_URL'] ?? '';
  if (addressesOf(url).length < 2) return [];
  const states = await nodeStates(url, askNode);
  const serve = states.filter((n) => n.state?.serves).length;
  return [{ what: 'nodes', how: `${serve} of ${states.length} serve`, trouble: nodesTrouble(states) }];
}

async function lookAtRecord({ pid, known }: ReturnType<typeof privateDatabase>): Promise<readonly Finding[]> {
  const url = process.env['RUBRICA_DATABASE_URL'] ?? (pid !== null && known && addressOf(known, DATABASE));
  if (!url) return [{ what: 'record', how: 'not looked at: the database is not running' }];
  const db = openDatabase(url);
  try {
    return await record(db);
  } catch (e) {
    const why = e instanceof Error ? e.message : String(e);
    return [
      {
        what: 'record',
        how: 'cannot be read',
        trouble: `the database says: ${why}. Its log: ${join(home(), 'database/server.log')}`,
      },
    ];
  } finally {
    await db.sequelize.close();
  }
}

/** Says in plain words what is installed and running, what is wrong, and what to do; exits 1 where something is wrong. */
export async function run(): Promise<number> {
  const database = privateDatabase();
  const { pid, known } = database;
  const shop = runningShop();
  const running: readonly Finding[] = [
    {
      what: 'application',
      how: shop === null ? 'not running' : `running, process ${shop.pid}, http://127.0.0.1:${shop.port}`,
    },
    {
      what: 'database',
      how: pid === null ? 'not running' : `running, process ${pid}, 127.0.0.1:${known?.port ?? '?'}`,
    },
    { what: 'log', how: join(home(), 'log/rubrica.log') },
  ];
  const all = [
    ...installed(),
    ...running,
    disk(),
    ...certificate(),
    ...(await nodes()),
    ...(await lookAtRecord(database)),
  ];
  for (const { what, how, trouble } of all) {
    process.stdout.write(`${trouble ? '!!' : '  '} ${what.padEnd(18)} ${how}\n`);
    if (trouble) process.stdout.write(`${' '.repeat(22)}${trouble}\n`);
  }
  return all.some((f) => f.trouble) ? 1 : 0;
}
