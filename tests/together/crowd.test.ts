import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { clientPrograms } from '../../cli/base/copies.ts';
import { putBack } from '../../src/server/backup/read-copy.ts';
import { takeCopy } from '../../src/server/backup/take-copy.ts';
import { endServer, serve } from '../../cli/base/serve.ts';
import { asRunning } from '../../cli/base/database-accounts.ts';
import { startDatabase, type PrivateDatabase } from '../../cli/base/private-database.ts';
import { fillShop } from '../../src/demo/fill-shop.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { migrate } from '../../src/server/db/migrate.ts';
import { hashPin } from '../../src/server/people/pin.ts';
import { makePairingCode } from '../../src/server/people/pair-device.ts';
import type { Actor } from '../../src/server/use-case/use-case.ts';
import { LONG } from '../../src/runs-for-tests.ts';
import { Person, signedIn, type CrowdJob } from './crowd.ts';
import { fillShelves, holdsTogether, logTellsState, shelvesHold, takeJobs } from './crowd-house.ts';

const PEOPLE = 30;
const PORT = 4384;
const BASE = `http://127.0.0.1:${PORT}`;
const SECRET = 'only for the tests';
const MINUTE = 60_000;
/** Asked for with `--long`: the whole minute. */
const CROWD_MS = LONG ? MINUTE : MINUTE / 10;
/** However slow the machine: so many changes are done before anything is counted. */
const ENOUGH = 150;

let server: PrivateDatabase;
let db: Database;
let app: Awaited<ReturnType<typeof serve>>;
let crowd: Person[];
let jobs: CrowdJob[];

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
/** A house that is killed on purpose complains a lot. */
const silently = (): void => undefined;
const env = () => ({ RUBRICA_DATABASE_URL: asRunning(server.url('rubrica_crowd')), RUBRICA_SECRET: SECRET });

beforeAll(async () => {
  process.env['RUBRICA_SECRET'] = SECRET;
  server = await startDatabase('crowd-database');
  const admin = openDatabase(server.url('information_schema'));
  await admin.sequelize.query('DROP DATABASE IF EXISTS rubrica_crowd');
  await admin.sequelize.query(
    'CREATE DATABASE rubrica_crowd CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci',
  );
  await admin.sequelize.close();
  db = openDatabase(server.url('rubrica_crowd'));
  await migrate(db.sequelize);
  await fillShop(db, 'A crowd');
  const pinHash = await hashPin('1234');
  const people = await db.models.Person.bulkCreate(
    Array.from({ length: PEOPLE }, (_, i) => ({
      name: `Hand ${i}`,
      initials: 'H',
      role: 'technician' as const,
      pinHash,
    })),
  );
  const lead = await db.models.Person.create({ name: 'Lead', initials: 'L', role: 'owner', pinHash });
  const device = await db.models.Device.create({
    name: 'd',
    tokenHash: 'd'.repeat(64),
    pairedAt: new Date(),
  });
  const owner: Actor = {
    personId: lead.id,
    deviceId: device.id,
    name: lead.name,
    initials: 'L',
    role: 'owner',
  };
  jobs = await takeJobs(db, owner);
  const shelves = await fillShelves(db, owner);
  const code = await makePairingCode(db, new Date(), PEOPLE);
  app = await serve(PORT, env(), 'start', silently);
  crowd = [];
  for (const { id } of people)
    crowd.push(new Person(BASE, await signedIn(BASE, code, id, '1234'), id, jobs, shelves));
}, 5 * MINUTE);

afterAll(async () => {
  await endServer(app);
  await db.sequelize.close();
  await server.stop();
});

const runFor = async (ms: number, beside: () => Promise<void> = () => Promise.resolve()): Promise<void> => {
  const end = Date.now() + ms;
  const done = () => crowd.reduce((sum, p) => sum + p.acknowledged.length, 0);
  const all = Promise.all(crowd.map((p) => p.live(() => Date.now() > end && done() > ENOUGH)));
  await beside();
  await all;
};

const folder = mkdtempSync(join(tmpdir(), 'rubrica-crowd-'));

const eventIds = async ({ models }: Database): Promise<number[]> =>
  (await models.EventRow.findAll({ attributes: ['id'], order: [['id', 'ASC']] })).map((e) => e.id);

/** A copy made while everybody works, and what stood in the log before it was begun. */
async function copyNow(): Promise<{ readonly path: string; readonly before: readonly number[] }> {
  const before = await eventIds(db);
  const { path } = await takeCopy({
    url: server.url('rubrica_crowd'),
    db,
    programs: clientPrograms(),
    secret: SECRET,
    key: null,
    release: '0',
    folder,
    now: new Date(),
  });
  return { path, before };
}

/** Put back, the copy is of one moment: everything of before it was begun is there, and state and log agree. */
async function copyHolds({ path, before }: Awaited<ReturnType<typeof copyNow>>): Promise<void> {
  const admin = openDatabase(server.url('information_schema'));
  await admin.sequelize.query('DROP DATABASE IF EXISTS rubrica_crowd_copy');
  await admin.sequelize.query('CREATE DATABASE rubrica_crowd_copy CHARACTER SET utf8mb4');
  await admin.sequelize.close();
  await putBack(path, server.url('rubrica_crowd_copy'), clientPrograms());
  const copy = openDatabase(server.url('rubrica_crowd_copy'));
  const [there, now] = [new Set(await eventIds(copy)), new Set(await eventIds(db))];
  expect(before.filter((id) => !there.has(id))).toEqual([]);
  expect([...there].filter((id) => !now.has(id))).toEqual([]);
  await logTellsState(copy);
  await shelvesHold(copy);
  await copy.sequelize.close();
  rmSync(folder, { recursive: true, force: true });
}

test(
  'thirty people on ten jobs for a while: every acknowledged change is in the log once, and the log says the state',
  async () => {
    let copied: Awaited<ReturnType<typeof copyNow>> | null = null;
    await runFor(CROWD_MS, async () => {
      await pause(CROWD_MS / 3);
      copied = await copyNow();
    });
    if (copied) await copyHolds(copied);
    expect(copied).not.toBeNull();
    const count = await holdsTogether(db, crowd);
    process.stdout.write(`${count} changes acknowledged\n`);
    expect(count).toBeGreaterThan(ENOUGH);
  },
  5 * MINUTE,
);
