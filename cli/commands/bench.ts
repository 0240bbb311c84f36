import { fillDemo } from '../../src/demo/fill-demo.ts';
import { DEMO_PEOPLE } from '../../src/demo/people.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { migrate } from '../../src/server/db/migrate.ts';
import { makePairingCode, pairDevice } from '../../src/server/people/pair-device.ts';
import { signIn } from '../../src/server/people/sign-in.ts';
import { buildIfNeeded } from '../base/build.ts';
import { asRunning } from '../base/database-accounts.ts';
import { ensureDatabase } from '../base/databases.ts';
import type { Options } from '../base/options.ts';
import { startDatabase } from '../base/private-database.ts';
import { fillUpTo } from '../bench/filled-shop.ts';
import {
  bareSave,
  growthRows,
  houseRows,
  saver,
  saveTogetherRow,
  type MeasuredHouse,
} from '../bench/house-rows.ts';
import { shelfRows } from '../bench/shelf-rows.ts';
import { sayRow, type Row } from '../bench/row.ts';
import { weekRows } from '../bench/week-rows.ts';
import { times } from '../bench/times.ts';
import { answerRow, gateRow } from '../bench/inspection-rows.ts';
import { everythingOpen, paperRows, screenRows } from '../bench/screen-rows.ts';
import { warmHouse } from '../bench/warm-house.ts';
import { earRows } from '../bench/ear-rows.ts';
import { planRows } from '../bench/plan-rows.ts';
import { sheetRows } from '../bench/sheet-rows.ts';
import { sumRows } from '../bench/sum-rows.ts';
import { say, Trouble } from '../base/say.ts';
import { endServer, serve } from '../base/serve.ts';

const SIZES = [1_000, 20_000, 200_000] as const;
/** The shelf is measured where it is large. */
const SHELF_FROM = 20_000;
const PORT = 4391;
const SECOND_PORT = 4392;
const SECRET = 'only for the bench';
const READ_JOB = 412;

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

/** Both processes of the house as they are after a day: each saves at a job of its own, and gives what lies open and all leaves. */
async function warm({ db, cookies }: MeasuredHouse, bases: readonly string[]): Promise<void> {
  say('warming up …');
  const jobs = [READ_JOB, READ_JOB - 1];
  const rounds = await Promise.all(
    bases.map(async (base, n) => {
      const save = await saver({ db, base, cookies, number: 0 }, jobs[n] ?? READ_JOB);
      const look = await everythingOpen(base, cookies);
      return warmHouse((i) => save(i).then(look));
    }),
  );
  say(`warm after ${rounds.join(' and ')} rounds`);
}

/** The shelf alone, at its sizes. */
async function shelfOnly(house: MeasuredHouse): Promise<Row[]> {
  const rows: Row[] = [];
  for (const jobs of SIZES.filter((n) => n >= SHELF_FROM)) {
    say(`filling up to ${jobs} jobs …`);
    await fillUpTo(house.db, jobs);
    rows.push(...(await shelfRows(house, jobs)));
  }
  return rows;
}

/** Rows of the server on a throwaway database. */
async function serverRows(wanted: readonly ('server' | 'sheet' | 'shelf')[]): Promise<Row[]> {
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
    const env = { RUBRICA_DATABASE_URL: asRunning(url), RUBRICA_SECRET: SECRET };
    const [app, second] = await Promise.all([serve(PORT, env), serve(SECOND_PORT, env)]);
    try {
      const cookies = await cookie(db);
      if (wanted.includes('sheet')) rows.push(...(await sheetRows(db, `http://127.0.0.1:${PORT}`, cookies)));
      const base = `http://127.0.0.1:${PORT}`;
      const house = { db, base, cookies, number: READ_JOB };
      const shelf = wanted.includes('shelf');
      if (!wanted.includes('server')) return shelf ? [...rows, ...(await shelfOnly(house))] : rows;
      await warm(house, [base, `http://127.0.0.1:${SECOND_PORT}`]);
      const bare = await times(bareSave(db));
      rows.push(await answerRow(db, base, cookies, bare));
      rows.push(...(await paperRows(base, cookies, bare)));
      rows.push(
        ...(await screenRows(
          [base, `http://127.0.0.1:${SECOND_PORT}`],
          cookies,
          await saver(house, READ_JOB),
        )),
      );
      const open = await db.models.Job.findAll({ where: { state: 'open' }, order: ['number'] });
      rows.push(
        await saveTogetherRow(
          house,
          open.map((j) => j.number),
        ),
      );
      const sized: Row[][] = [];
      for (const jobs of SIZES) {
        say(`filling up to ${jobs} jobs …`);
        await fillUpTo(db, jobs);
        sized.push(await houseRows(house, jobs));
        if (shelf && jobs >= SHELF_FROM) rows.push(...(await shelfRows(house, jobs)));
      }
      rows.push(...sized.flat());
      for (const [i, jobs] of SIZES.entries())
        if (i > 0) rows.push(...growthRows(sized[0] ?? [], sized[i] ?? [], [SIZES[0], jobs]));
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

const KINDS = ['sums', 'plans', 'week', 'ear', 'sheet', 'server', 'shelf'] as const;

/** Measures the core's sums, the neck sheet in a browser and the server, or those named, each row beside its baseline in the same run. */
export async function run(o: Options): Promise<number> {
  const unknown = o.rest.find((k) => !(KINDS as readonly string[]).includes(k));
  if (unknown !== undefined) throw new Trouble(`bench measures ${KINDS.join(' and ')}, not ${unknown}`);
  const wanted = (kind: (typeof KINDS)[number]) => o.rest.length === 0 || o.rest.includes(kind);
  const rows = [
    ...(wanted('sums') ? [...sumRows(), gateRow()] : []),
    ...(wanted('plans') ? planRows() : []),
    ...(wanted('week') ? weekRows() : []),
    ...(wanted('ear') ? earRows() : []),
    ...(wanted('server') || wanted('sheet') || wanted('shelf')
      ? await serverRows((['server', 'sheet', 'shelf'] as const).filter((k) => wanted(k)))
      : []),
  ];
  if (o.json) process.stdout.write(`${JSON.stringify(rows)}\n`);
  else
    for (const r of rows)
      process.stdout.write(`${sayRow(r)}
`);
  return rows.every((r) => r.ok) ? 0 : 1;
}
