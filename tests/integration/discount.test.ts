import { buildRecord } from '../../src/server/hand-over/sealed-record.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { intake, staffedHouse, unsaid, value } from './house.ts';

let house: Awaited<ReturnType<typeof staffedHouse>>;
beforeAll(async () => {
  house = await staffedHouse('discount');
});
afterAll(() => house.db.sequelize.close());

const see = async (number: number) => {
  const job = await loadJob(house.db, number);
  if (!job) throw new Error('no job');
  return job;
};

describe('a discount', () => {
  test('wants a reason, is for who may approve, comes in the job and in what is sealed', async () => {
    const { jobId, number } = value(await house.give(house.desk, 'desk.take-in', intake()));
    const version = (await see(number)).version;
    const off = (more: object) =>
      house.give(house.desk, 'work.discount', {
        jobId,
        version,
        kind: 'share',
        value: 1000,
        reason: 'a regular',
        ...more,
      });
    expect(await off({ reason: '' })).toMatchObject({
      error: { code: 'invalid', fields: { reason: expect.anything() as unknown } },
    });
    expect(await off({ value: 10_001 })).toMatchObject({ error: { code: 'invalid' } });
    expect(await off({ version: version + 7 })).toMatchObject({ error: { code: 'conflict' } });
    expect(
      await house.give(house.technician, 'work.discount', {
        jobId,
        version,
        kind: 'none',
        value: 0,
        reason: '',
      }),
    ).toMatchObject({ error: { code: 'not-allowed' } });
    value(await off({}));
    expect((await see(number)).discount).toEqual({ kind: 'share', value: 1000, reason: 'a regular' });
    const job = await house.db.models.Job.findByPk(jobId);
    if (!job) throw new Error('no job');
    expect(await buildRecord(house.db.models, job)).toMatchObject({ discount: { kind: 'share' } });
    value(await off({ version: version + 1, kind: 'none', value: 5, reason: 'x' }));
    expect((await see(number)).discount).toEqual({ kind: 'none', value: 0, reason: '' });
    await job.reload();
    expect(await buildRecord(house.db.models, job)).not.toHaveProperty('discount');
  });
});

test('every change of it reads as a sentence', async () => {
  expect(await unsaid(house.db)).toEqual([]);
});
