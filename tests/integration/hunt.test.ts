import { loadJob } from '../../src/server/leaves/load-job.ts';
import { intake, staffedHouse, value } from './house.ts';

let house: Awaited<ReturnType<typeof staffedHouse>>;
let number: number;
let jobId: number;
beforeAll(async () => {
  house = await staffedHouse('hunt');
  ({ number, jobId } = value(await house.give(house.desk, 'desk.take-in', intake('steel-acoustic', {}))));
});
afterAll(() => house.db.sequelize.close());

const hunt = async () => {
  const found = await loadJob(house.db, number);
  if (!found) throw new Error(`no job ${number}`);
  return found.plan.hunt;
};

test('nothing is hunted at first', async () => {
  expect(await hunt()).toEqual({ version: 0, limit: null, agreed: null, trail: [], ended: null });
});

test('a noise is hunted: what was tried stays with who and when, is taken back, ends with its cause and goes on', async () => {
  const { give, technician } = house;
  value(await give(technician, 'hunt.begin', { jobId, version: 0, limit: 90, agreed: 'phone' }));
  const where = { jobId, what: 'where', answer: 'one-pitch', words: 'the open A', heard: null } as const;
  const first = value(await give(technician, 'hunt.try', { ...where, version: 1 }));
  const wrong = value(
    await give(technician, 'hunt.try', {
      jobId,
      version: 2,
      what: 'tuners',
      answer: 'same',
      words: '',
      heard: null,
    }),
  );
  expect(first.entry).toBe(1);
  expect((await hunt()).trail).toMatchObject([
    { id: 1, what: 'where', answer: 'one-pitch', words: 'the open A' },
    { id: 2, what: 'tuners', answer: 'same' },
  ]);
  // Somebody who has not seen the last try overwrites nothing.
  const late = await give(technician, 'hunt.try', { ...where, version: 2 });
  expect(late).toMatchObject({ ok: false, error: { code: 'conflict' } });
  value(await give(technician, 'hunt.take-back', { jobId, version: 3, entry: wrong.entry }));
  expect(await give(technician, 'hunt.take-back', { jobId, version: 4, entry: wrong.entry })).toMatchObject({
    ok: false,
    error: { code: 'not-found' },
  });
  const heard = { before: 0.94, now: 0.07 };
  value(
    await give(technician, 'hunt.try', {
      jobId,
      version: 4,
      what: 'tuners',
      answer: 'stops',
      words: '',
      heard,
    }),
  );
  const end = { cause: 'tuner', words: 'the bush of the A' } as const;
  value(await give(technician, 'hunt.end', { jobId, version: 5, end }));
  const ended = await hunt();
  expect(ended).toMatchObject({ version: 6, limit: 90, agreed: 'phone', ended: end });
  expect(ended.trail.map((e) => [e.id, e.heard])).toEqual([
    [1, null],
    [2, heard],
  ]);
  const refused = await give(technician, 'hunt.try', { ...where, version: 6 });
  expect(refused).toMatchObject({ ok: false });
  value(await give(technician, 'hunt.end', { jobId, version: 6, end: 'goes on' }));
  expect((await hunt()).ended).toBeNull();
});

test('at its next visit what was hunted before is seen: nobody starts again', async () => {
  const next = value(await house.give(house.desk, 'desk.take-in', intake('steel-acoustic', {})));
  const { Job } = house.db.models;
  const { instrumentId } = await Job.findByPk(jobId, { rejectOnEmpty: true });
  await Job.update({ state: 'closed', closedAt: new Date() }, { where: { id: jobId } });
  await Job.update({ instrumentId }, { where: { id: next.jobId } });
  const view = await loadJob(house.db, next.number);
  expect(view?.huntsBefore).toMatchObject([{ job: number, trail: [{ what: 'where' }, { what: 'tuners' }] }]);
  expect(view?.plan.hunt.trail).toEqual([]);
});

test('the desk hunts nothing', async () => {
  const refused = await house.give(house.desk, 'hunt.begin', {
    jobId,
    version: 7,
    limit: null,
    agreed: null,
  });
  expect(refused).toMatchObject({ ok: false, error: { code: 'not-allowed' } });
});
