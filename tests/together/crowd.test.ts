import { randomInt, randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { clientPrograms } from '../../cli/base/copies.ts';
import { putBack } from '../../src/server/backup/read-copy.ts';
import { takeCopy } from '../../src/server/backup/take-copy.ts';
import { endServer, hasEnded, serve } from '../../cli/base/serve.ts';
import { asRunning } from '../../cli/base/database-accounts.ts';
import { startDatabase, type PrivateDatabase } from '../../cli/base/private-database.ts';
import { replay } from '../../src/core/history/replay.ts';
import { operation } from '../../src/core/catalogue/operations.ts';
import { after, freeOf, NOTHING } from '../../src/core/stock/ledger.ts';
import { runningWait } from '../../src/core/work/waits.ts';
import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import { stationKey } from '../../src/core/readings/stations.ts';
import { fillShop } from '../../src/demo/fill-shop.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { migrate } from '../../src/server/db/migrate.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { hashPin } from '../../src/server/people/pin.ts';
import { makePairingCode } from '../../src/server/people/pair-device.ts';
import { execute } from '../../src/server/door/execute.ts';
import type { Actor } from '../../src/server/use-case/use-case.ts';
import { LONG } from '../../src/runs-for-tests.ts';
import { Person, signedIn, type CrowdJob } from './crowd.ts';

const PEOPLE = 30;
const JOBS = 10;
const PORT = 4384;
const BASE = `http://127.0.0.1:${PORT}`;
const SECRET = 'only for the tests';
const MINUTE = 60_000;
/** Asked for with `--long`: the whole minute and all twenty kills. */
const CROWD_MS = LONG ? MINUTE : MINUTE / 2;
const KILLS = LONG ? 20 : 12;

let server: PrivateDatabase;
let db: Database;
let app: Awaited<ReturnType<typeof serve>>;
let crowd: Person[];
let jobs: CrowdJob[];

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
/** A house that is killed on purpose complains a lot. */
const silently = (): void => undefined;
const env = () => ({ RUBRICA_DATABASE_URL: asRunning(server.url('rubrica_crowd')), RUBRICA_SECRET: SECRET });

async function takeJobs(actor: Actor): Promise<CrowdJob[]> {
  const give = async (name: Parameters<typeof execute>[2], input: unknown) => {
    const done = await execute(db, actor, name, input, randomUUID());
    if (!done.ok) throw new Error(`${name}: ${JSON.stringify(done.error)}`);
    return done.value as { number: number; jobId: number };
  };
  const made: CrowdJob[] = [];
  for (let n = 0; n < JOBS; n++) {
    const usual = usualConstruction('steel-acoustic');
    const { number, jobId } = await give('desk.take-in', {
      customer: { name: `Owner ${n}`, phone: '', email: '' },
      instrument: { maker: '', model: 'Crowd', year: '', serial: `CR-${n}`, construction: usual },
      complaint: 'everything',
      touch: 'medium',
      plays: '',
      wish: '',
      neededBy: null,
      hardDate: false,
      hardReason: '',
      limitMinor: null,
      stringsState: 'at-pitch',
      cameWith: [],
      placeId: null,
    });
    for (const op of ['clean-body', 'tighten', 'crack-glue', 'rod'])
      await give('plan.add', { jobId, operation: op, detail: '' });
    const lines = await db.models.WorkLine.findAll({ where: { jobId } });
    for (const l of lines)
      await give('work.answer', { lineId: l.id, version: 0, answer: 'yes', by: 'Owner', how: 'in writing' });
    const job = await loadJob(db, number);
    made.push({
      id: jobId,
      version: 0,
      items: job?.inspection.items.slice(0, 12).map((i) => i.key) ?? [],
      places: job?.readings.stations.filter((s) => s.quantity === 'action') ?? [],
      lines: lines.map((l) => l.id),
    });
  }
  return made;
}

/** Ten things on the shelves, three of each. */
async function fillShelves(actor: Actor): Promise<number[]> {
  const shelves: number[] = [];
  for (let n = 0; n < 10; n++) {
    const row = { sort: 'own', name: `Thing ${n}`, facts: {}, place: '', supplier: '', code: '' } as const;
    const rest = {
      itemId: null,
      version: 0,
      least: 0,
      usual: 0,
      cost: null,
      price: null,
      tax: null,
      retired: false,
    };
    const kept = await execute(db, actor, 'stores.save-item', { ...row, ...rest }, randomUUID());
    if (!kept.ok) throw new Error(JSON.stringify(kept.error));
    const { itemId } = kept.value;
    const came = { itemId, kind: 'received', quantity: 3, jobId: null, lineId: null, reason: '' } as const;
    await execute(db, actor, 'stores.move', came, randomUUID());
    shelves.push(itemId);
  }
  return shelves;
}

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
  jobs = await takeJobs(owner);
  const shelves = await fillShelves(owner);
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

/** What is kept is what the log says happened, in whichever database. */
async function logTellsState({ models }: Database): Promise<void> {
  const log = await models.EventRow.findAll({ order: [['id', 'ASC']] });
  const said = replay(
    log.map(({ kind, entity, entityId, data, jobId }) => ({ kind, entity, entityId, data, jobId })),
  );
  const inspections = await models.Inspection.findAll();
  const answers = await models.InspectionAnswer.findAll();
  const kept = new Map(
    answers.map((a) => [
      `${inspections.find((i) => i.id === a.inspectionId)?.jobId ?? 0}:${a.item}`,
      { answer: a.answer, note: a.note },
    ]),
  );
  expect(kept).toEqual(said.answers);
  const rounds = await models.Round.findAll();
  const readings = new Map(
    (await models.ReadingRow.findAll()).map((r) => {
      const round = rounds.find((x) => x.id === r.roundId);
      return [
        `${round?.jobId ?? 0}:${round?.kind ?? ''}:${stationKey(r.quantity, r.stringNo, r.fret)}`,
        r.typed,
      ];
    }),
  );
  expect(readings).toEqual(said.readings);
  const remarks = await models.Remark.findAll();
  expect(new Map(remarks.map((r) => [String(r.id), { words: r.words, answer: r.answer }]))).toEqual(
    said.remarks,
  );

  // Clocks: a step runs exactly while somebody's clock does, and nobody has two.
  const lines = await models.WorkLine.findAll();
  const open = await models.TimeEntry.findAll({ where: { endedAt: null } });
  for (const l of lines) {
    expect([l.id, said.steps.get(String(l.id)) ?? 'ready']).toEqual([l.id, l.step]);
    expect([l.id, l.step === 'running']).toEqual([l.id, open.some((e) => e.lineId === l.id)]);
  }
  expect(new Set(open.map((e) => e.personId)).size).toBe(open.length);
}

/** The ledger of every thing says what stands on its shelf, nothing is under nothing, nothing is set aside twice. */
async function shelvesHold({ models }: Database): Promise<number> {
  const moves = await models.StockMoveRow.findAll({ order: [['id', 'ASC']] });
  const asides = await models.StockAside.findAll({ order: [['jobId', 'ASC']] });
  for (const item of await models.StockItem.findAll()) {
    const own = moves.filter((m) => m.itemId === item.id);
    let level = NOTHING;
    for (const m of own) {
      const next = after(level, { kind: m.kind, quantity: Number(m.quantity), job: m.jobId });
      if (!next.ok) throw new Error(`the ledger of ${item.name} holds what could not happen: ${m.kind}`);
      level = next.value;
      expect(Number(m.onHand)).toBe(level.onHand);
    }
    expect([item.name, Number(item.onHand)]).toEqual([item.name, level.onHand]);
    const kept = asides.filter((a) => a.itemId === item.id).map((a) => [a.jobId, Number(a.quantity)]);
    expect(kept).toEqual([...level.aside].sort((a, b) => a[0] - b[0]));
    expect(freeOf(level)).toBeGreaterThanOrEqual(0);
  }
  return moves.length;
}

/** What must be true of the house whatever happened. */
async function holdsTogether(): Promise<number> {
  const { models, sequelize } = db;
  const log = await models.EventRow.findAll({ order: [['id', 'ASC']] });
  const byCommand = new Map<string, string[]>();
  for (const e of log)
    if (e.commandId !== null) byCommand.set(e.commandId, [...(byCommand.get(e.commandId) ?? []), e.kind]);
  const acknowledged = crowd.flatMap((p) => p.acknowledged);
  const lost = acknowledged.filter((a) => {
    const own = (byCommand.get(a.id) ?? []).filter((kind) => kind !== 'step interrupted');
    return own.length !== 1;
  });
  expect(lost).toEqual([]);
  // Nothing else happened: every command in the log was acknowledged, or is the one somebody still waits for.
  const known = new Set([...acknowledged.map((a) => a.id), ...crowd.map((p) => p.open)]);
  const crowdIds = new Set(
    (await models.Person.findAll()).filter((p) => p.name.startsWith('Hand')).map((p) => p.id),
  );
  const strangers = log.filter((e) => crowdIds.has(e.personId ?? 0) && !known.has(e.commandId));
  expect(strangers.map((e) => e.kind)).toEqual([]);

  await logTellsState(db);
  expect(await shelvesHold(db)).toBeGreaterThan(10);
  const overlaps = await sequelize.query(
    `SELECT a.id FROM time_entries a JOIN time_entries b ON a.person_id = b.person_id AND a.id < b.id
     AND a.started_at < COALESCE(b.ended_at, NOW(3)) AND b.started_at < COALESCE(a.ended_at, NOW(3))`,
    { type: QueryTypes.SELECT },
  );
  expect(overlaps).toEqual([]);
  const lines = await models.WorkLine.findAll();
  // Rests: what hangs under Time rests until the end its finished steps say.
  for (const job of await models.Job.findAll()) {
    if (job.waitingUntil === null) continue;
    const own = lines.filter((l) => l.jobId === job.id && l.step === 'finished');
    const rest = runningWait(
      own.map((l) => ({
        lineId: l.id,
        title: l.title,
        finishedAt: l.finishedAt?.getTime() ?? null,
        wait: operation(l.operation).wait,
      })),
      0,
    );
    expect([job.id, job.waitingUntil.getTime()]).toEqual([job.id, rest?.until]);
  }
  return acknowledged.length;
}

const runFor = async (ms: number, beside: () => Promise<void> = () => Promise.resolve()): Promise<void> => {
  const end = Date.now() + ms;
  let over = false;
  const stop = () => over || Date.now() > end;
  const all = Promise.all(crowd.map((p) => p.live(stop)));
  await beside();
  now = 'the crowd is awaited';
  await all;
  over = true;
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

/** What the test is doing just now: said when it never ends. */
let now = '';
const STUCK_AFTER_MS = 8 * MINUTE;

async function toItsEnd(does: () => Promise<void>): Promise<void> {
  let timer: NodeJS.Timeout | undefined;
  const stuck = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error(`it does not go on: ${now}`)), STUCK_AFTER_MS);
  });
  await Promise.race([does(), stuck]).finally(() => clearTimeout(timer));
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
    const count = await holdsTogether();
    process.stdout.write(`${count} changes acknowledged in ${CROWD_MS / 1000} s\n`);
    expect(count).toBeGreaterThan(CROWD_MS / 200);
  },
  5 * MINUTE,
);

async function killHouse(n: number): Promise<void> {
  now = `kill ${n}: the house ends`;
  const gone = new Promise((resolve) => app.once('exit', resolve));
  app.kill('SIGKILL');
  await gone;
  now = `kill ${n}: the house begins`;
  app = await serve(PORT, env(), 'start', silently);
}

async function killDatabase(n: number): Promise<void> {
  now = `kill ${n}: the database begins`;
  process.kill(server.pid, 'SIGKILL');
  await pause(100);
  server = await startDatabase('crowd-database');
}

test(
  'killed again and again, house or database: nothing acknowledged is lost, nothing doubled',
  async () => {
    const before = crowd.flatMap((p) => p.acknowledged).length;
    await toItsEnd(async () => {
      await runFor(KILLS * 2500, async () => {
        for (let n = 0; n < KILLS; n++) {
          await pause(300 + randomInt(1500));
          if (hasEnded(app)) throw new Error(`before kill ${n} the house had ended by itself`);
          await (n % 2 === 0 ? killHouse(n) : killDatabase(n));
        }
      });
      now = 'what is kept is compared';
      // The house is up again: everybody was answered in the end.
      expect(crowd.flatMap((p) => (p.open === null ? [] : [p.open]))).toEqual([]);
      const count = await holdsTogether();
      process.stdout.write(`${count - before} changes acknowledged between ${KILLS} kills\n`);
      expect(count).toBeGreaterThan(before);
    });
  },
  10 * MINUTE,
);
