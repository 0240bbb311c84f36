import { randomUUID } from 'node:crypto';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { intake, staffedHouse, value } from './house.ts';

let house: Awaited<ReturnType<typeof staffedHouse>>;
beforeAll(async () => {
  house = await staffedHouse('corrections');
}, 60_000);
afterAll(() => house.db.sequelize.close());

const view = async (number: number) => {
  const job = await loadJob(house.db, number);
  if (!job) throw new Error(`no job ${number}`);
  return job;
};

const takeIn = async (more: Parameters<typeof intake>[1] = {}) =>
  value(await house.give(house.desk, 'desk.take-in', intake('steel-acoustic', more)));

test('what was written at the counter is corrected until it is signed: who, why, before and after stay', async () => {
  const { jobId, number } = await takeIn({ complaint: 'It buzes' });
  const other = await takeIn({ instrument: { ...intake().instrument, serial: randomUUID() } as never });
  const first = await view(number);
  const said = {
    complaint: 'It buzzes at the fifth',
    touch: 'heavy',
    plays: first.plays,
    wish: first.wish,
    neededBy: '2026-12-24',
    hardDate: true,
    hardReason: 'a concert',
    limitMinor: 9_000,
  } as const;
  const customer = {
    version: first.customer.version,
    name: first.customer.name,
    phone: '555 0199',
    email: '',
  };
  const input = { jobId, version: first.version, said, customer, why: 'misheard' };
  expect(await house.give(house.desk, 'desk.correct', { ...input, why: ' ' })).toMatchObject({
    error: { fields: { why: expect.any(String) as string } },
  });
  value(await house.give(house.desk, 'desk.correct', input));
  expect(await house.give(house.technician, 'desk.correct', input)).toMatchObject({
    error: { code: 'conflict' },
  });
  const now = await view(number);
  expect(now).toMatchObject({
    complaint: said.complaint,
    touch: 'heavy',
    limit: 9_000,
    hardReason: 'a concert',
  });
  expect(now.customer.phone).toBe('555 0199');
  // The customer is one: their other job knows the number too.
  if (first.customer.id === (await view(other.number)).customer.id)
    expect((await view(other.number)).customer.phone).toBe('555 0199');
  const event = await house.db.models.EventRow.findOne({ where: { jobId, kind: 'job corrected' } });
  expect(event?.data).toMatchObject({
    before: { complaint: 'It buzes' },
    after: { complaint: said.complaint, phone: '555 0199' },
    why: 'misheard',
  });
  expect(event?.data).not.toMatchObject({ after: { plays: expect.anything() as unknown } });
  // The same again changes nothing and says nothing.
  const same = { ...input, version: now.version, customer: { ...customer, version: now.customer.version } };
  expect(value(await house.give(house.desk, 'desk.correct', same)).version).toBe(now.version);
  expect(await house.db.models.EventRow.count({ where: { jobId, kind: 'job corrected' } })).toBe(1);
});
