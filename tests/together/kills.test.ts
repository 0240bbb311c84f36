/** Two applications on one house that keeps itself up, a crowd at them, and again and again something of it is killed. */
import { randomInt } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildIfNeeded } from '../../cli/base/build.ts';
import { asRunning } from '../../cli/base/database-accounts.ts';
import { databasePlace } from '../../cli/base/database-place.ts';
import { runningServer, startDatabase, type PrivateDatabase } from '../../cli/base/private-database.ts';
import { endServer, serve } from '../../cli/base/serve.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { LONG } from '../../src/runs-for-tests.ts';
import { pause } from './crowd.ts';
import { changesOf, gather, keptWhole, liveAll, type Gathered } from './gathered.ts';
import { StartedHouse } from './started-house.ts';

const KILLS = Number(process.env['RUBRICA_KILLS'] ?? (LONG ? 200 : 12));
/** So much is acknowledged between two of them at least. */
const BETWEEN = 20;
/** What is killed again and again is started again after longer and longer. */
const OFTEN = { timeout: (KILLS + 5) * 60_000 };
const [A, B] = [4384, 4386];

let house: StartedHouse;
let server: PrivateDatabase;
let db: Database;
let second: Awaited<ReturnType<typeof serve>>;
let crowd: Gathered;

const silently = (): void => undefined;
const serveSecond = () =>
  serve(
    B,
    {
      RUBRICA_DATABASE_URL: asRunning(server.url('rubrica')),
      RUBRICA_SECRET: process.env['RUBRICA_SECRET'] ?? '',
    },
    'start',
    silently,
  );

beforeAll(async () => {
  await buildIfNeeded();
  house = new StartedHouse(A);
  await house.begin();
  process.env['RUBRICA_SECRET'] = readFileSync(join(house.folder, 'secret'), 'utf8').trim();
  server = await startDatabase('database');
  db = openDatabase(server.url('rubrica'));
  second = await serveSecond();
  crowd = await gather(
    db,
    [A, B].map((port) => `http://127.0.0.1:${port}`),
  );
});

afterAll(async () => {
  await endServer(second);
  await db.sequelize.close();
  await server.stop();
  await house.remove();
});

const changes = (): number => changesOf(crowd);

/** Something of the house, without a warning. Whoever keeps it up is the house itself, but for the second application. */
const KILLED: Readonly<Record<string, () => Promise<unknown>>> = {
  'the application': async () => {
    await house.until('the application is up', house.isUp);
    process.kill(house.pidOf('application'), 'SIGKILL');
  },
  'the other application': async () => {
    const gone = new Promise((resolve) => second.once('exit', resolve));
    second.kill('SIGKILL');
    await gone;
    second = await serveSecond();
  },
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
  `${KILLS} kills of the applications, the database and the start itself: nothing acknowledged is lost, nothing doubled`,
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
