import { factsCsv } from '../../src/server/learn/facts-csv.ts';
import { loadOwnLearned, loadShopLearned, proposedNow } from '../../src/server/learn/load-learned.ts';
import { loadPlanning } from '../../src/server/house/load-planning.ts';
import { loadOperations } from '../../src/server/house/load-operations.ts';
import { loadBenchJob } from '../../src/server/bench/load-bench-job.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('learned');
});
afterAll(() => house.db.sequelize.close());

const now = () => new Date();
type Taken = Awaited<ReturnType<(typeof house)['jobWith']>>;

/** Logs cuts at the saddle of a job, each as a share of half a millimetre meant. */
async function cut({ line }: Taken, shares: readonly number[]) {
  const { order, technician } = house;
  const { id: lineId } = await line('saddle-lower');
  for (const share of shares)
    await order(technician, 'work.cut', {
      lineId,
      place: 'bass',
      meant: '0.5 mm',
      took: `${(0.5 * share).toFixed(3)} mm`,
      unit: 'mm',
    });
}

test('a cut is logged where the step is running, said in the history, shown at the bench, and can be taken back', async () => {
  const { give, order, technician, db } = house;
  const job = await house.jobWith(['saddle-lower']);
  const { id: lineId } = await job.line('saddle-lower');
  const asked = { lineId, place: 'treble' as const, meant: '.020', took: '.021', unit: 'thou' as const };
  expect(await give(technician, 'work.cut', asked)).toMatchObject({ error: { code: 'refused' } });
  await job.step('saddle-lower', 'start', house.technician, { without: 'read in passing' });
  const { cutId } = await order(technician, 'work.cut', asked);
  const wrong = async (more: object) => {
    const r = await give(technician, 'work.cut', { ...asked, ...more });
    return r.ok || r.error.code !== 'invalid' ? null : r.error.fields;
  };
  expect(await wrong({ place: 'string 3' })).toHaveProperty('place');
  expect(await wrong({ meant: 'much' })).toHaveProperty('meant');
  expect(await wrong({ took: '21 mm' })).toHaveProperty('took');
  expect(await wrong({ took: '-.002' })).toHaveProperty('took');
  const shown = (await loadBenchJob(db, job.number))?.lines.find((l) => l.id === lineId)?.cuts;
  expect(shown?.places.map((p) => [p.place, p.made.length])).toEqual([
    ['bass', 0],
    ['treble', 1],
  ]);
  await order(technician, 'work.take-back-cut', { cutId, version: 0 });
  expect(await give(technician, 'work.take-back-cut', { cutId, version: 0 })).toMatchObject({
    error: { code: 'not-found' },
  });
  expect(await db.models.CutRow.count()).toBe(0);
});

test('twelve cuts propose the share that would have been right; taken, it is how the shop plans and is proposed no more', async () => {
  const { order, give, owner, technician, db } = house;
  const job = await house.jobWith(['saddle-lower']);
  await job.step('saddle-lower', 'start', house.technician, { without: 'read in passing' });
  await cut(job, [1, 1.04, 0.97, 1.02, 1.05, 1, 0.98, 1.03, 1.01, 1.06, 0.99]);
  expect(await proposedNow(db, now())).toEqual([]);
  await cut(job, [1.02]);
  const [first] = await proposedNow(db, now());
  expect(first).toMatchObject({ id: 'first-cut', now: 0.8, count: 12 });
  const proposed = first?.proposed as number;
  expect(proposed).toBeGreaterThan(0.9);
  const take = { proposal: 'first-cut', proposed, take: true };
  expect(await give(technician, 'house.take-learned', take)).toMatchObject({
    error: { code: 'not-allowed' },
  });
  expect(await give(owner, 'house.take-learned', { ...take, proposed: 0.88 })).toMatchObject({
    error: { code: 'conflict' },
  });
  await order(owner, 'house.take-learned', take);
  expect((await loadPlanning(db)).rules.firstCutShare).toBe(proposed);
  expect(await proposedNow(db, now())).toEqual([]);
  expect(await give(owner, 'house.take-learned', take)).toMatchObject({ error: { code: 'not-found' } });
});

test('minutes that steps surely took are proposed; put away they wait for half as many more; taken they are the catalogue’s', async () => {
  const { order, owner, db } = house;
  const { models } = db;
  const measured = async (count: number, minutes: number) => {
    for (let i = 0; i < count; i++) {
      const job = await house.jobWith(['rod']);
      const { id } = await job.line('rod');
      const startedAt = new Date(Date.now() - 86_400_000);
      const endedAt = new Date(startedAt.getTime() + (minutes + (i % 3)) * 60_000);
      await models.TimeEntry.create({ lineId: id, personId: house.technician.personId, startedAt, endedAt });
      await models.WorkLine.update({ step: 'finished', finishedAt: endedAt }, { where: { id } });
    }
  };
  await measured(8, 40);
  const minutes = async () => (await proposedNow(db, now())).find((p) => p.id === 'minutes:rod');
  expect(await minutes()).toMatchObject({ count: 8, proposed: { low: 40, likely: 40, high: 40 } });
  await order(owner, 'house.take-learned', { proposal: 'minutes:rod', proposed: 40, take: false });
  expect(await minutes()).toBeUndefined();
  await measured(4, 40);
  expect(await minutes()).toMatchObject({ count: 12 });
  await order(owner, 'house.take-learned', { proposal: 'minutes:rod', proposed: 40, take: true });
  const kept = await loadOperations(db);
  expect(kept.operations.find((o) => o.id === 'rod')?.minutes).toEqual({ low: 40, likely: 40, high: 40 });
  expect(kept.versions[0]?.note).toContain('minutes by 12 measured times');
  expect(await minutes()).toBeUndefined();
});

test('a person sees their own work, the shop’s page holds everybody’s, and the file names nobody', async () => {
  const { db, technician, owner } = house;
  const counts = (sections: Awaited<ReturnType<typeof loadOwnLearned>>) =>
    Object.fromEntries(sections.map((s) => [s.what, s.groups.reduce((n, g) => n + g.out.count, 0)]));
  expect(counts(await loadOwnLearned(db, technician.personId, now()))).toMatchObject({
    cut: 12,
    minutes: 12,
  });
  expect(counts(await loadOwnLearned(db, owner.personId, now()))).toMatchObject({ cut: 0, minutes: 0 });
  const shop = await loadShopLearned(db, 'UTC', now());
  expect(counts(shop.sections)).toMatchObject({ cut: 12, minutes: 12 });
  const file = await factsCsv(db, now());
  expect(file.split('\r\n').filter((l) => l.includes('Cuts of saddle and nut'))).toHaveLength(12);
  expect(file).not.toContain(technician.name);
});

test('what was turned blind before counts with the turn after which was read', async () => {
  const { order, technician, db } = house;
  const { jobId, line, step } = await house.jobWith(['rod']);
  const read = { jobId, round: 'as-found' as const, quantity: 'relief' as const, string: 0, fret: 7 };
  await order(technician, 'readings.save', { ...read, typed: '0.5 mm', unit: 'mm', version: 0 });
  await step('rod', 'start');
  const { id: lineId } = await line('rod');
  const turn = (after: string) => order(technician, 'work.turn', { lineId, eighths: 2, after, unit: 'mm' });
  await turn('');
  await turn('0.3 mm');
  const [blind, told] = await db.models.RodTurn.findAll({ where: { lineId }, order: [['id', 'ASC']] });
  expect(Number(blind?.expected)).toBeCloseTo(0.4, 6);
  expect(Number(told?.expected)).toBeCloseTo(0.3, 6);
});

test('a relief that was read at once gives way to the first that was read when the neck had rested', async () => {
  const { order, technician, db } = house;
  const relief = { quantity: 'relief' as const, string: 0, fret: 7, unit: 'mm' as const, version: 0 };
  const after = async (moved: boolean): Promise<string[]> => {
    const { jobId, line, step } = await house.jobWith(moved ? ['rod', 'restring'] : ['rod']);
    await order(technician, 'readings.save', { ...relief, jobId, round: 'as-found', typed: '0.5 mm' });
    await step('rod', 'start');
    const { id: lineId } = await line('rod');
    await order(technician, 'work.turn', { lineId, eighths: 2, after: '0.45', unit: 'mm' });
    const rounds = `(SELECT id FROM rounds WHERE job_id = ${jobId})`;
    for (const [table, column, which] of [
      ['rod_turns', 'turned_at', `job_id = ${jobId}`],
      ['readings', 'taken_at', `round_id IN ${rounds}`],
      ['time_entries', 'started_at', `line_id = ${lineId}`],
    ])
      await db.sequelize.query(
        `UPDATE ${table} SET ${column} = ${column} - INTERVAL 40 MINUTE WHERE ${which}`,
      );
    await step('rod', 'finish');
    if (moved) {
      await step('restring', 'start', technician, { without: 'it rested meanwhile' });
      await step('restring', 'finish');
    }
    const said: string[] = [];
    for (const [round, typed] of [
      ['as-left', '0.40 mm'],
      ['after-work', '0.38 mm'],
    ] as const) {
      await order(technician, 'readings.save', {
        ...relief,
        jobId,
        round,
        typed,
        version: round === 'as-left' ? 0 : 1,
      });
      const turn = await db.models.RodTurn.findOne({ where: { lineId } });
      said.push(Number(turn?.reliefAfter).toFixed(2));
    }
    return said;
  };
  expect(await after(false)).toEqual(['0.40', '0.40']);
  // New strings pull otherwise: what was read under them is not what the rod did.
  expect(await after(true)).toEqual(['0.45', '0.45']);
});
