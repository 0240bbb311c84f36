/** Two applications behind the proxy of a house that keeps itself up, a crowd at them, and again and again something of it is killed. */
import { randomInt } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildIfNeeded } from '../../cli/base/build.ts';
import { databasePlace } from '../../cli/base/database-place.ts';
import { runningServer, startDatabase } from '../../cli/base/private-database.ts';
import { lanAddresses } from '../../cli/lan/addresses.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { LONG } from '../../src/runs-for-tests.ts';
import { pause } from './crowd.ts';
import { changesOf, gather, keptWhole, liveAll, type Gathered } from './gathered.ts';
import { StartedHouse } from './started-house.ts';

/** One of each without `--long`. */
const KILLS = Number(process.env['RUBRICA_KILLS'] ?? (LONG ? 200 : 5));
/** So much is acknowledged between two of them at least. */
const BETWEEN = 20;
/** What is killed again and again is started again after longer and longer. */
const OFTEN = { timeout: (KILLS + 5) * 60_000 };
const A = 4384;
const LAN_PORT = 4455;
const first = lanAddresses(null)?.first ?? 'localhost';

let house: StartedHouse;
let db: Database;
let crowd: Gathered;
/** What was begun and how it is ended, also where the next thing could not be. */
const toEnd: (() => Promise<unknown>)[] = [];
const trusting = process.env['NODE_TLS_REJECT_UNAUTHORIZED'];

beforeAll(async () => {
  await buildIfNeeded();
  const named = first === 'localhost' ? ['--name', 'localhost'] : [];
  house = new StartedHouse(A, ['--lan', '--lan-port', String(LAN_PORT), '--applications', '2', ...named]);
  toEnd.unshift(() => house.remove());
  await house.begin();
  process.env['RUBRICA_SECRET'] = readFileSync(join(house.folder, 'secret'), 'utf8').trim();
  // Whom a tablet trusts is tried elsewhere; here whoever answers will do.
  process.env['NODE_TLS_REJECT_UNAUTHORIZED'] = '0';
  const server = await startDatabase('database');
  toEnd.unshift(() => server.stop());
  db = openDatabase(server.url('rubrica'));
  toEnd.unshift(() => db.sequelize.close());
  crowd = await gather(db, [`https://${first}:${LAN_PORT}`]);
});

afterAll(async () => {
  for (const end of toEnd) await end();
  if (trusting === undefined) delete process.env['NODE_TLS_REJECT_UNAUTHORIZED'];
  else process.env['NODE_TLS_REJECT_UNAUTHORIZED'] = trusting;
});

const changes = (): number => changesOf(crowd);

async function killChild(what: 'application' | 'application 2' | 'proxy'): Promise<void> {
  await house.until(`${what} is up`, () => house.kill(what));
}

/** Something of the house, without a warning. Whoever keeps it up is the house itself. */
const KILLED: Readonly<Record<string, () => Promise<unknown>>> = {
  'an application': () => killChild('application'),
  'the other application': () => killChild('application 2'),
  'the proxy': () => killChild('proxy'),
  'the database': async () => {
    const pid = () => runningServer(databasePlace('database'));
    await house.until('the database is up', () => pid() !== null);
    process.kill(pid() ?? 0, 'SIGKILL');
  },
  'the start itself': async () => {
    await house.stop('SIGKILL');
    await house.begin();
  },
};

test(
  `${KILLS} kills of the applications, the proxy, the database and the start itself: nothing acknowledged is lost, nothing doubled`,
  OFTEN,
  async () => {
    let over = false;
    const living = liveAll(crowd, () => over);
    const killed = new Map<string, number>();
    for (let n = 0; n < KILLS; n++) {
      const before = changes();
      await house.until(`kill ${n}: ${BETWEEN} changes since the last`, () => changes() - before >= BETWEEN);
      await pause(randomInt(400));
      const names = Object.keys(KILLED);
      const name = names[n < names.length ? n : randomInt(names.length)] ?? '';
      killed.set(name, (killed.get(name) ?? 0) + 1);
      await KILLED[name]?.();
      if (n % 20 === 19) process.stdout.write(`${n + 1} kills, ${changes()} changes\n`);
    }
    const before = changes();
    await house.until('it goes on after the last', () => changes() - before >= BETWEEN);
    over = true;
    await living;
    const kept = await keptWhole(db, crowd, KILLS / 2);
    process.stdout.write(`${kept}; killed: ${JSON.stringify(Object.fromEntries(killed))}\n`);
  },
);
