/** Two applications on one house that keeps itself up, a crowd at them, and again and again something of it is killed. */
import { randomInt } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { buildIfNeeded } from '../../cli/base/build.ts';
import { asRunning } from '../../cli/base/database-accounts.ts';
import { databasePlace } from '../../cli/base/database-place.ts';
import { runningServer, startDatabase, type PrivateDatabase } from '../../cli/base/private-database.ts';
import { endServer, serve } from '../../cli/base/serve.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { verifySeals } from '../../src/server/hand-over/verify-seals.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { makePairingCode } from '../../src/server/people/pair-device.ts';
import { hashPin } from '../../src/server/people/pin.ts';
import { tokenHash } from '../../src/server/people/tokens.ts';
import { LONG } from '../../src/runs-for-tests.ts';
import { Person, signedIn, pause } from './crowd.ts';
import { DeskPerson } from './crowd-desk.ts';
import { fillShelves, holdsTogether, takeJobs } from './crowd-house.ts';
import { StartedHouse } from './started-house.ts';

const KILLS = Number(process.env['RUBRICA_KILLS'] ?? (LONG ? 200 : 12));
/** So much is acknowledged between two of them at least. */
const BETWEEN = 20;
/** What is killed again and again is started again after longer and longer. */
const OFTEN = { timeout: (KILLS + 5) * 60_000 };
const [A, B] = [4384, 4386];
const AT_THE_BENCH = 14;
const AT_THE_DESK = 6;

let house: StartedHouse;
let server: PrivateDatabase;
let db: Database;
let second: Awaited<ReturnType<typeof serve>>;
let crowd: Person[];
let desk: DeskPerson[];

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
  const pinHash = await hashPin('1234');
  const hands = Array.from({ length: AT_THE_BENCH + AT_THE_DESK }, (_, i) => ({
    name: `Hand ${i}`,
    initials: 'H',
    role: i < AT_THE_BENCH ? ('technician' as const) : ('lead' as const),
    pinHash,
  }));
  await db.models.Person.bulkCreate(hands);
  const people = await db.models.Person.findAll({ where: { initials: 'H' }, order: [['id', 'ASC']] });
  const lead = await db.models.Person.findOne({ where: { role: 'owner' }, rejectOnEmpty: true });
  const device = await db.models.Device.create({
    name: 'd',
    tokenHash: 'd'.repeat(64),
    pairedAt: new Date(),
  });
  const owner = { personId: lead.id, deviceId: device.id, name: lead.name, initials: 'L', role: lead.role };
  const jobs = await takeJobs(db, owner);
  const shelves = await fillShelves(db, owner);
  const [plain] = await takeJobs(db, owner, 1, []);
  const first = await db.models.Job.findByPk(plain?.id ?? 0, { rejectOnEmpty: true });
  const checks = (await loadJob(db, first.number))?.handOver.asked.map((c) => c.key) ?? [];
  const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#a52' } })
    .jpeg()
    .toBuffer();
  const code = await makePairingCode(db, new Date(), people.length);
  [crowd, desk] = [[], []];
  for (const [i, { id }] of people.entries()) {
    const base = `http://127.0.0.1:${i % 2 === 0 ? A : B}`;
    const cookie = await signedIn(base, code, id, '1234');
    if (i < AT_THE_BENCH) crowd.push(new Person(base, cookie, id, jobs, shelves));
    else desk.push(Object.assign(new DeskPerson(base, cookie, id, jobs, shelves), { checks, picture }));
  }
  crowd.push(...desk);
});

afterAll(async () => {
  await endServer(second);
  await db.sequelize.close();
  await server.stop();
  await house.remove();
});

const changes = (): number =>
  crowd.reduce((sum, p) => sum + p.acknowledged.length, 0) +
  desk.reduce((sum, p) => sum + p.photographed.length, 0);

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
    const living = Promise.all(crowd.map((p) => p.live(() => over)));
    const killed = new Map<string, number>();
    for (let n = 0; n < KILLS; n++) {
      const before = changes();
      await house.until(`kill ${n}: ${BETWEEN} changes since the last`, () => changes() - before >= BETWEEN);
      await pause(randomInt(400));
      const names = Object.keys(KILLED);
      const name = names[n < names.length ? n : randomInt(names.length)] ?? '';
      killed.set(name, (killed.get(name) ?? 0) + 1);
      await KILLED[name]?.();
    }
    const before = changes();
    await house.until('it goes on after the last', () => changes() - before >= BETWEEN);
    over = true;
    await living;
    // Everybody was answered in the end.
    expect(crowd.flatMap((p) => (p.open === null ? [] : [p.open]))).toEqual([]);
    await holdsTogether(db, crowd);

    const { models } = db;
    const photos = desk.flatMap((p) => p.photographed);
    const kept = new Map<string, number>();
    for (const { item } of await models.Photo.findAll({ attributes: ['item'] }))
      kept.set(item ?? '', (kept.get(item ?? '') ?? 0) + 1);
    expect(photos.filter((item) => kept.get(item) !== 1)).toEqual([]);
    expect([...kept.values()].filter((n) => n !== 1)).toEqual([]);

    const signed = desk.flatMap((p) => p.signed);
    const closed = await models.Job.findAll({ where: { id: signed, state: 'closed' } });
    expect(closed).toHaveLength(signed.length);
    expect(signed.length, desk.map((p) => p.refused).join('\n')).toBeGreaterThan(KILLS / 2);
    const seals = await verifySeals(db);
    expect(seals).toMatchObject({ broken: [], ledger: [] });
    expect(seals.whole).toBeGreaterThanOrEqual(signed.length);
    const serials = (await models.Instrument.findAll()).map((i) => i.serial);
    expect(new Set(serials).size).toBe(serials.length);

    // Of every job’s links the one that was made last opens, and it is one that somebody was told.
    const told = new Set(desk.flatMap((p) => [...p.links.values()].map(tokenHash)));
    const open = await models.CustomerLink.findAll({ where: { purpose: 'sheet', withdrawnAt: null } });
    expect(new Set(open.map((l) => l.jobId)).size).toBe(open.length);
    expect(open.filter((l) => !told.has(l.tokenHash)).map((l) => l.jobId)).toEqual([]);
    process.stdout.write(
      `${changes()} changes acknowledged, ${signed.length} signed, ${photos.length} photos, ${open.length} links; killed: ${JSON.stringify(Object.fromEntries(killed))}\n`,
    );
  },
);
