import { readJobNumber } from '../../src/server/jobs/read-job.ts';
import { learnDue } from '../../src/server/learn/learn-due.ts';
import { loadNumbers } from '../../src/server/learn/load-numbers.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('learn');
});
afterAll(() => house.db.sequelize.close());

type Taken = Awaited<ReturnType<(typeof house)['jobWith']>>;

/** Turns the rod of a job by turns of two eighths that each give so much, and closes the visit. */
async function visitWithTurns({ number, jobId, line, step }: Taken, begin: number, gives: readonly number[]) {
  const { order, technician, db } = house;
  const read = { jobId, round: 'as-found' as const, quantity: 'relief' as const, string: 0, fret: 7 };
  await order(technician, 'readings.save', { ...read, typed: `${begin} mm`, unit: 'mm', version: 0 });
  await step('rod', 'start');
  const { id: lineId } = await line('rod');
  let relief = begin;
  for (const gave of gives) {
    relief -= gave;
    await order(technician, 'work.turn', {
      lineId,
      eighths: 2,
      after: `${relief.toFixed(3)} mm`,
      unit: 'mm',
    });
  }
  await db.models.Job.update({ state: 'closed', closedAt: new Date() }, { where: { id: jobId } });
  const job = await db.models.Job.findOne({ where: { number }, rejectOnEmpty: true });
  await db.models.Instrument.update({ learnedAt: null }, { where: { id: job.instrumentId } });
  return job.instrumentId;
}

const rodOf = async (number: number) => (await readJobNumber(house.db.models, number))?.numbers.rod;
const kindRow = (kind: string) =>
  house.db.models.KindNumber.findOne({ where: { kind, number: 'rod' }, raw: true });

test('closed visits tell the rod of an instrument and its kind, once, and the next visit plans with it', async () => {
  const { db } = house;
  const first = await house.jobWith(['rod']);
  expect(await rodOf(first.number)).toMatchObject({ value: 0.05, own: 0, others: { acts: 0 } });
  const id = await visitWithTurns(first, 0.6, [0.15, 0.16, 0.14]);
  expect(await learnDue(db)).toBe(1);
  expect(await learnDue(db)).toBe(0);
  // Its own visit was planned by what was known before it.
  expect(await rodOf(first.number)).toMatchObject({ value: 0.05, own: 0 });
  const told = await kindRow('steel-acoustic');
  expect(told).toMatchObject({ instruments: 1, acts: 3 });
  // Counted again it is the same.
  await db.models.Instrument.update({ learnedAt: null }, { where: { id } });
  expect(await learnDue(db)).toBe(1);
  const again = await kindRow('steel-acoustic');
  expect(again?.weight).toBeCloseTo(told?.weight ?? 0, 9);
  expect(again).toMatchObject({ instruments: 1, acts: 3 });
  // Another instrument of the kind begins with what this one showed; this one with its own.
  const other = await house.jobWith(['rod']);
  const begins = await rodOf(other.number);
  expect(begins?.value).toBeGreaterThan(0.054);
  expect(begins).toMatchObject({ own: 0, others: { instruments: 1, acts: 3 } });
  await db.models.Job.update({ instrumentId: id }, { where: { number: other.number } });
  const own = await rodOf(other.number);
  expect(own).toMatchObject({ own: 3, others: { instruments: 0, acts: 0 } });
  expect(own?.value).toBeCloseTo(0.073, 2);
  const shown = await loadNumbers(db, id);
  expect(shown?.acts.map((a) => a.number)).toEqual(['rod', 'rod', 'rod']);
  expect(shown?.numbers.rod.value).toBeCloseTo(own?.value ?? 0, 9);
});

test('a visit that is opened again, and an instrument that turns out to be of another kind, tell no longer what they told', async () => {
  const { db } = house;
  const before = await kindRow('steel-acoustic');
  const job = await house.jobWith(['rod']);
  const id = await visitWithTurns(job, 0.5, [0.05, 0.05]);
  await learnDue(db);
  expect(await kindRow('steel-acoustic')).toMatchObject({ instruments: 2, acts: 5 });
  await db.models.Instrument.update({ kind: 'archtop', learnedAt: null }, { where: { id } });
  await learnDue(db);
  expect(await kindRow('archtop')).toMatchObject({ instruments: 1, acts: 2 });
  const left = await kindRow('steel-acoustic');
  expect(left).toMatchObject({ instruments: 1, acts: 3 });
  expect(left?.pull).toBeCloseTo(before?.pull ?? 0, 9);
  await db.models.Job.update({ state: 'open', closedAt: null }, { where: { number: job.number } });
  await db.models.Instrument.update({ learnedAt: null }, { where: { id } });
  await learnDue(db);
  expect(await kindRow('archtop')).toMatchObject({ instruments: 0, acts: 0 });
  expect(await db.models.ActRow.count({ where: { instrumentId: id } })).toBe(0);
});

test('one instrument that cannot be counted holds no other up', async () => {
  const { db } = house;
  const [bad, good] = [await house.jobWith(['rod']), await house.jobWith(['rod'])];
  const badId = await visitWithTurns(bad, 0.5, [0.05]);
  const goodId = await visitWithTurns(good, 0.5, [0.05]);
  await db.sequelize.query(`UPDATE instruments SET construction = '{}' WHERE id = ${badId}`);
  await learnDue(db);
  expect(await db.models.ActRow.count({ where: { instrumentId: goodId } })).toBe(1);
  expect(await learnDue(db)).toBe(0);
});

test('two processes that count the first two of a kind at once lose neither', async () => {
  const { db } = house;
  const jobs = [await house.jobWith(['rod']), await house.jobWith(['rod'])];
  const ids = [];
  for (const job of jobs) ids.push(await visitWithTurns(job, 0.5, [0.05, 0.05]));
  await db.models.Instrument.update({ kind: 'semi-hollow' }, { where: { id: ids } });
  await Promise.all([learnDue(db), learnDue(db)]);
  while ((await learnDue(db)) > 0);
  expect(await kindRow('semi-hollow')).toMatchObject({ instruments: 2, acts: 4 });
});
