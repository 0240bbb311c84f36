import { performance } from 'node:perf_hooks';
import { QueryTypes } from 'sequelize';
import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import { fillDemo } from '../../src/demo/fill-demo.ts';
import { DEMO_PEOPLE } from '../../src/demo/people.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { migrate } from '../../src/server/db/migrate.ts';
import { NO_FACTS } from '../../src/core/job/leaves.ts';
import { makePairingCode, pairDevice } from '../../src/server/people/pair-device.ts';
import { signIn } from '../../src/server/people/sign-in.ts';
import { RACK_SQL } from '../../src/server/rack/load-rack.ts';
import { buildIfNeeded } from '../base/build.ts';
import { ensureDatabase } from '../base/house.ts';
import type { Options } from '../base/options.ts';
import { startDatabase } from '../base/private-database.ts';
import { rowOf, type Row } from '../bench/row.ts';
import { answerRow, gateRow } from '../bench/inspection-rows.ts';
import { paperRows, screenRows } from '../bench/screen-rows.ts';
import { planRows } from '../bench/plan-rows.ts';
import { sheetRows } from '../bench/sheet-rows.ts';
import { sumRows } from '../bench/sum-rows.ts';
import { say, Trouble } from '../base/say.ts';
import { endServer, serve } from '../base/serve.ts';
import { SETTLE_MS } from '../../src/ui/data/refresh.ts';

const SIZES = [1_000, 20_000] as const;
const RUNS = 40;
const WARM = 8;
const PORT = 4391;
const SECOND_PORT = 4392;
const SECRET = 'only for the bench';
const READ_JOB = 412;
const BARE_SAVE = "UPDATE settings SET version = version + 1 WHERE name = 'shop'";

async function times(f: (i: number) => Promise<unknown>): Promise<number[]> {
  const all: number[] = [];
  for (let i = 0; i < WARM + RUNS; i++) {
    const began = performance.now();
    await f(i);
    if (i >= WARM) all.push(performance.now() - began);
  }
  return all.sort((a, b) => a - b);
}

async function row(
  id: string,
  target: number,
  baseline: string,
  bare: () => Promise<unknown>,
  f: (i: number) => Promise<unknown>,
): Promise<Row> {
  const base = await times(bare);
  return rowOf(id, target, baseline, base, await times(f));
}

/** Fills the shelf with closed jobs up to a number, as years of work would. */
async function fillUpTo(db: Database, jobs: number): Promise<void> {
  const { models } = db;
  const have = await models.Job.count();
  const [customer, person] = await Promise.all([models.Customer.findOne(), models.Person.findOne()]);
  if (!customer || !person) throw new Error('the demo shop is not loaded');
  const now = new Date();
  const construction = usualConstruction('steel-acoustic');
  const last = ((await models.Job.max('number')) as number | null) ?? 400;
  for (let from = 0; from < jobs - have; from += 1000) {
    const n = Math.min(1000, jobs - have - from);
    const instruments = await models.Instrument.bulkCreate(
      Array.from({ length: n }, (_, i) => ({
        customerId: customer.id,
        kind: 'steel-acoustic',
        maker: 'Wendlow',
        model: 'Otter',
        serial: `B${from + i}`,
        scaleMm: '648',
        construction,
        createdAt: now,
      })),
    );
    await models.Job.bulkCreate(
      instruments.map((instrument, i) => ({
        number: last + 1 + from + i,
        instrumentId: instrument.id,
        customerId: customer.id,
        complaint: 'a past job',
        touch: 'medium' as const,
        wish: '',
        stringsState: 'at-pitch' as const,
        waitingFor: 'home' as const,
        state: 'closed' as const,
        closedAt: now,
        facts: { ...NO_FACTS, signed: true },
        takenInAt: now,
        takenInBy: person.id,
      })),
    );
  }
}

async function cookie(db: Database): Promise<string> {
  const now = new Date();
  const paired = await pairDevice(db, await makePairingCode(db, now), 'bench', now);
  const ilse = DEMO_PEOPLE[0];
  const person = await db.models.Person.findOne({ where: { name: ilse?.name ?? '' } });
  if (!paired.ok || !person || !ilse) throw new Error('nobody to measure with');
  const session = await signIn(db, paired.value.token, person.id, ilse.pin, now);
  if (!session.ok) throw new Error(session.error.message);
  return `rubrica_device=${paired.value.token}; rubrica_session=${session.value.token}`;
}

/** Hears the second process's events: the promise it hands out settles when the next one arrives. */
async function listen(cookies: string): Promise<{ next: () => Promise<void>; close: () => void }> {
  const stop = new AbortController();
  const stream = await fetch(`http://127.0.0.1:${SECOND_PORT}/api/events`, {
    headers: { cookie: cookies },
    signal: stop.signal,
  });
  let heard = () => {};
  const read = async () => {
    const decoder = new TextDecoder();
    for await (const piece of stream.body ?? [])
      if (decoder.decode(piece as Uint8Array).includes('data: [')) heard();
  };
  read().catch(() => {
    // closed at the end of the row
  });
  return { next: () => new Promise((resolve) => (heard = resolve)), close: () => stop.abort() };
}

/** Saves a reading again and again through the house, each time another one. */
async function saver(db: Database, jobId: number, cookies: string): Promise<(i: number) => Promise<void>> {
  const base = `http://127.0.0.1:${PORT}`;
  let version = await versionOf(db, jobId);
  return async (i: number) => {
    const input = {
      jobId: jobId,
      round: 'as-found',
      quantity: 'relief',
      string: 0,
      fret: 7,
      typed: `.0${10 + (i % 9)}`,
      unit: 'thou',
      version,
    };
    const answer = await fetch(`${base}/api/command`, {
      method: 'POST',
      headers: { cookie: cookies, origin: base, 'Content-Type': 'application/json' },
      body: JSON.stringify({ id: crypto.randomUUID(), name: 'readings.save', input }),
    });
    const said = (await answer.json()) as { ok: boolean; value?: { version: number } };
    if (!said.ok || !said.value) throw new Error(`saving was refused: ${JSON.stringify(said)}`);
    ({ version } = said.value);
  };
}

async function rowsAt(db: Database, jobs: number, cookies: string): Promise<Row[]> {
  const base = `http://127.0.0.1:${PORT}`;
  const page = (path: string) => async () => {
    const answer = await fetch(base + path, { headers: { cookie: cookies } });
    if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
    await answer.text();
  };
  const sql = (text: string) => () => db.sequelize.query(text, { type: QueryTypes.SELECT });
  const job = await db.models.Job.findOne({ where: { number: READ_JOB } });
  if (!job) throw new Error(`no job ${READ_JOB}`);
  const jobSql = `SELECT r.* FROM readings r JOIN rounds o ON o.id = r.round_id JOIN jobs j ON j.id = o.job_id WHERE j.number = ${READ_JOB}`;
  const save = await saver(db, job.id, cookies);
  const events = await listen(cookies);
  // What a screen of another process does: it hears the event, settles, and fetches its page again.
  const shownElsewhere = async (i: number) => {
    const arrived = events.next();
    await save(i);
    await arrived;
    await new Promise((resolve) => setTimeout(resolve, SETTLE_MS));
    const answer = await fetch(`http://127.0.0.1:${SECOND_PORT}/job/${READ_JOB}/readings`, {
      headers: { cookie: cookies },
    });
    await answer.text();
  };
  const bareSave = () => db.sequelize.query(BARE_SAVE);
  const rows = [
    await row(`rack.${jobs}-jobs`, 150, 'the rack’s one query', sql(RACK_SQL), page('/rack')),
    await row(
      `job.${jobs}-jobs`,
      150,
      'the job’s readings, one query',
      sql(jobSql),
      page(`/job/${READ_JOB}/readings`),
    ),
    await row(`reading-save.${jobs}-jobs`, 100, 'one committed row', bareSave, save),
    await row(`shown-elsewhere.${jobs}-jobs`, 2000, 'one committed row', bareSave, shownElsewhere),
  ];
  events.close();
  return rows;
}

async function versionOf(db: Database, jobId: number): Promise<number> {
  const rows = await db.sequelize.query<{ version: number }>(
    "SELECT r.version FROM readings r JOIN rounds o ON o.id = r.round_id WHERE o.job_id = ? AND o.kind = 'as-found' AND r.quantity = 'relief'",
    { type: QueryTypes.SELECT, replacements: [jobId] },
  );
  return rows[0]?.version ?? 0;
}

/** Rows of the server on a throwaway database. */
async function serverRows(wanted: readonly ('server' | 'sheet')[]): Promise<Row[]> {
  process.env['RUBRICA_SECRET'] = SECRET;
  await buildIfNeeded();
  const server = await startDatabase('bench-database');
  const admin = openDatabase(server.url('information_schema'));
  await admin.sequelize.query('DROP DATABASE IF EXISTS rubrica_bench');
  await admin.sequelize.close();
  const url = await ensureDatabase(server, 'rubrica_bench');
  const db = openDatabase(url);
  const rows: Row[] = [];
  try {
    await migrate(db.sequelize);
    await fillDemo(db, new Date());
    const env = { RUBRICA_DATABASE_URL: url, RUBRICA_SECRET: SECRET };
    const [app, second] = await Promise.all([serve(PORT, env), serve(SECOND_PORT, env)]);
    try {
      const cookies = await cookie(db);
      if (wanted.includes('sheet')) rows.push(...(await sheetRows(db, `http://127.0.0.1:${PORT}`, cookies)));
      if (!wanted.includes('server')) return rows;
      const bare = await times(() => db.sequelize.query(BARE_SAVE));
      rows.push(await answerRow(db, `http://127.0.0.1:${PORT}`, cookies, bare));
      const bases = [`http://127.0.0.1:${PORT}`, `http://127.0.0.1:${SECOND_PORT}`] as const;
      const read = await db.models.Job.findOne({ where: { number: READ_JOB } });
      rows.push(...(await paperRows(bases[0], cookies, bare)));
      rows.push(...(await screenRows(bases, cookies, bare, await saver(db, read?.id ?? 0, cookies))));
      for (const jobs of SIZES) {
        say(`filling up to ${jobs} jobs …`);
        await fillUpTo(db, jobs);
        rows.push(...(await rowsAt(db, jobs, cookies)));
      }
    } finally {
      await endServer(app);
      await endServer(second);
    }
  } finally {
    await db.sequelize.close();
    await server.stop();
  }
  return rows;
}

const KINDS = ['sums', 'plans', 'sheet', 'server'] as const;

/** Measures the core's sums, the neck sheet in a browser and the server, or those named, each row beside its baseline in the same run. */
export async function run(o: Options): Promise<number> {
  const unknown = o.rest.find((k) => !(KINDS as readonly string[]).includes(k));
  if (unknown !== undefined) throw new Trouble(`bench measures ${KINDS.join(' and ')}, not ${unknown}`);
  const wanted = (kind: (typeof KINDS)[number]) => o.rest.length === 0 || o.rest.includes(kind);
  const rows = [
    ...(wanted('sums') ? [...sumRows(), gateRow()] : []),
    ...(wanted('plans') ? planRows() : []),
    ...(wanted('server') || wanted('sheet')
      ? await serverRows((['server', 'sheet'] as const).filter((k) => wanted(k)))
      : []),
  ];
  if (o.json) process.stdout.write(`${JSON.stringify(rows)}\n`);
  else
    for (const r of rows)
      process.stdout.write(
        `${r.ok ? 'ok  ' : 'SLOW'} ${r.id.padEnd(28)} median ${r.median} ms, p95 ${r.p95} ms, ${r.ratio}× ${r.baseline} (target ${r.target} ms)\n`,
      );
  return rows.every((r) => r.ok) ? 0 : 1;
}
