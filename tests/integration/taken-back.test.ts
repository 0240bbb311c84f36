/** What a file brought in is taken out again: as if it had never come, but for the log; what is used here since stays. */
import { setTimeout as pause } from 'node:timers/promises';
import { QueryTypes } from 'sequelize';
import { exportJob } from '../../src/server/exchange/export-job.ts';
import { importJob } from '../../src/server/exchange/import-job.ts';
import { loadBrought } from '../../src/server/exchange/take-back.ts';
import { verifySeals } from '../../src/server/hand-over/verify-seals.ts';
import { loadHistory } from '../../src/server/jobs/load-history.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import { demoHouse, intake, staffedHouse, value } from './house.ts';
import { LONG } from '../../src/runs-for-tests.ts';

const NUMBERS = [401, 409, 412, 415];
const zips = new Map<number, Buffer>();
let house: Awaited<ReturnType<typeof staffedHouse>>;

beforeAll(async () => {
  const one = await demoHouse('taken_back_from');
  for (const n of NUMBERS) zips.set(n, (await exportJob(one, n)) ?? Buffer.alloc(0));
  await one.sequelize.close();
  house = await staffedHouse('taken_back');
});
afterAll(() => house.db.sequelize.close());

/** Whoever is in the log stays a name, and the log is never taken out of. */
const STAY = new Set(['events', 'seal_ledger', 'commands', 'people']);

/** Every row of the house that is no log, table by table. */
async function everything(): Promise<Record<string, unknown>> {
  const ask = (sql: string) => house.db.sequelize.query<object>(sql, { type: QueryTypes.SELECT });
  const tables = (await ask('SHOW TABLES')).map((row) => String(Object.values(row)[0]));
  const all: Record<string, unknown> = {};
  for (const table of tables.filter((t) => !STAY.has(t))) all[table] = await ask(`SELECT * FROM ${table}`);
  return all;
}
const bring = async (number: number): Promise<string> => {
  value(
    await importJob(house.db, house.lead, zips.get(number) ?? Buffer.alloc(0), new Date()).then((r) =>
      r.ok ? r : { ok: false as const, error: { code: 'refused' as const, message: r.error } },
    ),
  );
  return (await loadBrought(house.db))[0]?.brought ?? '';
};

test.each(LONG ? NUMBERS : NUMBERS.slice(0, 2))(
  'job %i is gone as if it had never come, and can come again',
  async (number) => {
    const before = await everything();
    const brought = await bring(number);
    expect((await loadBrought(house.db))[0]).toMatchObject({ what: `job ${number}`, by: 'The lead' });
    expect(await loadJob(house.db, number)).not.toBeNull();
    expect(value(await house.give(house.lead, 'shelf.take-back', { brought }))).toEqual({
      jobs: 1,
      instruments: 1,
      customers: 1,
      stay: 0,
    });
    expect(await everything()).toEqual(before);
    expect(await loadJob(house.db, number)).toBeNull();
    expect(await loadBrought(house.db)).toEqual([]);
    expect(await verifySeals(house.db)).toMatchObject({ broken: [], ledger: [] });
    const twice = await house.give(house.lead, 'shelf.take-back', { brought });
    expect(twice).toMatchObject({ ok: false, error: { code: 'not-found' } });
    const again = await bring(number);
    expect((await loadHistory(house.db, number))?.entries.length).toBeGreaterThan(0);
    value(await house.give(house.lead, 'shelf.take-back', { brought: again }));
    expect(await everything()).toEqual(before);
  },
);

test('a job on which something was done stays, and it is said which; a technician takes nothing back', async () => {
  const brought = await bring(412);
  expect(await house.give(house.technician, 'shelf.take-back', { brought })).toMatchObject({
    ok: false,
    error: { code: 'not-allowed' },
  });
  const job = await house.db.models.Job.findOne({ where: { number: 412 }, rejectOnEmpty: true });
  const words = { jobId: job.id, lineId: null, kind: 'note', words: 'seen here', toPerson: null } as const;
  value(await house.give(house.technician, 'work.remark', words));
  const before = await everything();
  expect(await house.give(house.lead, 'shelf.take-back', { brought })).toMatchObject({
    ok: false,
    error: { message: expect.stringMatching(/^Something was done on job 412/) as string },
  });
  expect(await everything()).toEqual(before);
});

test('done at the same moment: the one or the other, never both', async () => {
  // How much later the remark is given than the taking back (ms; below 0: earlier) is sought so that each
  // was first once, and then nearer and nearer to where the one turns into the other, on any machine.
  let noted = Number.NEGATIVE_INFINITY;
  let taken = Number.POSITIVE_INFINITY;
  let later = 0;
  for (let round = 0; round < 8 || !Number.isFinite(taken - noted); round++) {
    const brought = await bring(415);
    const job = await house.db.models.Job.findOne({ where: { number: 415 }, rejectOnEmpty: true });
    const words = { jobId: job.id, lineId: null, kind: 'note', words: 'seen', toPerson: null } as const;
    const [remark, back] = await Promise.all([
      pause(later).then(() => house.give(house.technician, 'work.remark', words)),
      pause(-later).then(() => house.give(house.lead, 'shelf.take-back', { brought })),
    ]);
    expect([remark.ok, back.ok].filter(Boolean)).toHaveLength(1);
    expect(await house.db.models.Job.count({ where: { number: 415 } })).toBe(back.ok ? 0 : 1);
    if (remark.ok) noted = later;
    else taken = later;
    if (taken === Number.POSITIVE_INFINITY) later = Math.max(4, noted * 2);
    else if (noted === Number.NEGATIVE_INFINITY) later = Math.min(-4, taken * 2);
    else later = (noted + taken) / 2;
    // What stays would be in the way of the next: its instrument is here as an open job.
    if (remark.ok)
      await house.db.models.Job.update(
        { number: 900 + round, state: 'closed', closedAt: new Date() },
        { where: { id: job.id } },
      );
  }
});

test('of a list of customers and instruments those stay that are used by now', async () => {
  const names = ['Anselm Pike', 'Berit Sund', 'Carla Moss'];
  const customers = names.map((name, i) => ({ name, phone: `555 019${i}`, email: '' }));
  value(await house.give(house.lead, 'shelf.import-customers', { customers }));
  const usual = usualConstruction('bass');
  const construction = { ...usual, strings: [...usual.strings] };
  const bass = (customer: string, serial: string) => ({
    customer,
    kind: 'bass',
    maker: 'Wendlow',
    model: 'Heron',
    year: '',
    serial,
    construction,
  });
  const instruments = [bass('Berit Sund', 'H-1'), bass('Dorit Vane', 'H-2')];
  value(await house.give(house.lead, 'shelf.import-instruments', { instruments }));
  // The first of the list brings an instrument for work.
  const anselm = await house.db.models.Customer.findOne({
    where: { name: 'Anselm Pike' },
    rejectOnEmpty: true,
  });
  const own = intake('bass', { customer: { id: anselm.id } });
  value(await house.give(house.desk, 'desk.take-in', own));
  const [second, first] = await loadBrought(house.db);
  expect([second?.what, first?.what]).toEqual(['2 instruments', '3 customers']);
  // The customers first: whose instrument is here, or who has a job, stays.
  expect(value(await house.give(house.owner, 'shelf.take-back', { brought: first?.brought ?? '' }))).toEqual({
    jobs: 0,
    instruments: 0,
    customers: 1,
    stay: 2,
  });
  expect(value(await house.give(house.owner, 'shelf.take-back', { brought: second?.brought ?? '' }))).toEqual(
    { jobs: 0, instruments: 2, customers: 1, stay: 0 },
  );
  const left = (await house.db.models.Customer.findAll()).map((c) => c.name);
  expect(left.filter((n) => [...names, 'Dorit Vane'].includes(n)).sort()).toEqual([
    'Anselm Pike',
    'Berit Sund',
  ]);
  expect(await house.db.models.Instrument.count({ where: { model: 'Heron' } })).toBe(0);
});
