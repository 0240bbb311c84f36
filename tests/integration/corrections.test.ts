import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import { wholeEntries } from '../../src/server/use-case/whole-entries.ts';
import { randomUUID } from 'node:crypto';
import { openLink } from '../../src/server/links/customer-link.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { intake, staffedHouse, value, unsaid } from './house.ts';

let house: Awaited<ReturnType<typeof staffedHouse>>;
beforeAll(async () => {
  house = await staffedHouse('corrections');
});
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
  // What names them stands apart from the log’s own row.
  expect(JSON.stringify(event?.data)).not.toContain('555 0199');
  const data = event && (await wholeEntries(house.db.models, [event])).get(Number(event.id));
  expect(data).toMatchObject({
    before: { complaint: 'It buzes' },
    after: { complaint: said.complaint, phone: '555 0199' },
    why: 'misheard',
  });
  expect(data).not.toMatchObject({ after: { plays: expect.anything() as unknown } });
  // The same again changes nothing and says nothing.
  const same = { ...input, version: now.version, customer: { ...customer, version: now.customer.version } };
  expect(value(await house.give(house.desk, 'desk.correct', same)).version).toBe(now.version);
  expect(await house.db.models.EventRow.count({ where: { jobId, kind: 'job corrected' } })).toBe(1);
});

test('what nobody said stands as not said, and what an instrument matters for can be said and taken back', async () => {
  const usual = usualConstruction('steel-acoustic');
  const construction = { ...usual, assumed: ['scale', 'finish'] as const };
  const instrument = { ...intake().instrument, serial: randomUUID(), construction };
  const { jobId, number } = await takeIn({ touch: null, instrument: instrument as never });
  const first = await view(number);
  expect(first).toMatchObject({ touch: null, matters: null });
  expect(first.proposal.questions.join(' ')).toMatch(/medium touch.*the scale\./);
  const { complaint, plays, wish, neededBy, hardDate, hardReason, limit: limitMinor, customer: c } = first;
  const correct = async (matters: 'both' | null, version: number) =>
    value(
      await house.give(house.desk, 'desk.correct', {
        jobId,
        version,
        said: { complaint, touch: 'light', matters, plays, wish, neededBy, hardDate, hardReason, limitMinor },
        customer: { version: c.version, name: c.name, phone: c.phone, email: c.email },
        why: 'asked on the telephone',
      }),
    ).version;
  const said = await correct('both', first.version);
  const told = await view(number);
  expect(told).toMatchObject({ touch: 'light', matters: 'both', plan: { history: true } });
  expect(told.proposal.questions.join(' ')).toMatch(/nobody said what it is worth/);
  await correct(null, said);
  expect(await view(number)).toMatchObject({ matters: null, plan: { history: false } });
});

test('another customer: their links end, what waits is not sent, the instrument is theirs where it is', async () => {
  const { jobId, number } = await takeIn({
    customer: { name: 'Wanda Harrow', phone: '', email: 'w@example.invalid' },
  });
  await house.give(house.desk, 'desk.message', { jobId, purpose: 'ready', channel: 'mail' });
  const { token } = value(await house.give(house.desk, 'work.link', { jobId, purpose: 'sheet' }));
  expect(await openLink(house.db, token ?? '', 'sheet', new Date())).not.toBeNull();
  const first = await view(number);
  const input = {
    jobId,
    version: first.version,
    customer: { name: 'Wendel Harrow', phone: '555 0111', email: '' },
    instrumentToo: true,
    why: 'the brother',
  };
  expect(await house.give(house.desk, 'desk.change-customer', { ...input, why: '' })).toMatchObject({
    error: { fields: { why: expect.any(String) as string } },
  });
  const { customerId } = value(await house.give(house.desk, 'desk.change-customer', input));
  expect(await house.give(house.desk, 'desk.change-customer', input)).toMatchObject({
    error: { code: 'conflict' },
  });
  const now = await view(number);
  expect(now.customer).toMatchObject({ id: customerId, name: 'Wendel Harrow', phone: '555 0111' });
  expect(await openLink(house.db, token ?? '', 'sheet', new Date())).toBeNull();
  expect(now.messages[0]).toMatchObject({ state: 'failed', trouble: 'the job has another customer' });
  const row = await house.db.models.MessageRow.findOne({ where: { jobId } });
  expect(row?.body).toBe('');
  expect((await house.db.models.Instrument.findByPk(now.instrument.id))?.customerId).toBe(customerId);
  expect(
    await house.give(house.desk, 'desk.change-customer', {
      ...input,
      version: now.version,
      customer: { id: customerId },
    }),
  ).toMatchObject({ error: { code: 'refused' } });
});

test('what came with it: forgotten, misnamed, never there; what was initialled shows what changed since', async () => {
  const { jobId, number } = await takeIn({ cameWith: [{ name: 'hard case', state: '' }] });
  value(await house.give(house.desk, 'desk.receipt', { jobId, name: 'Petra', initials: null }));
  const put = (more: object) =>
    house.give(house.desk, 'custody.thing', {
      jobId,
      item: null,
      name: 'strap',
      state: '',
      removed: false,
      why: 'overlooked',
      ...more,
    });
  expect(await put({ name: ' ' })).toMatchObject({
    error: { fields: { name: expect.any(String) as string } },
  });
  value(await put({}));
  const [box] = (await view(number)).items;
  const item = { id: box?.id ?? 0, version: box?.version ?? 0 };
  value(await put({ item, name: 'gig bag', state: 'torn' }));
  expect(await put({ item, name: 'soft case' })).toMatchObject({ error: { code: 'conflict' } });
  expect((await view(number)).receipt.given?.since).toEqual([
    'came with it: gig bag (torn)',
    'came with it: strap',
    'no longer named: hard case',
  ]);
  const strap = (await view(number)).items.find((i) => i.name === 'strap');
  const meant = { id: strap?.id ?? 0, version: strap?.version ?? 0 };
  value(
    await house.give(house.desk, 'hand-over.return', {
      itemId: meant.id,
      version: meant.version,
      returned: true,
      absence: '',
    }),
  );
  expect(await put({ item: { ...meant, version: meant.version + 1 }, removed: true })).toMatchObject({
    error: { code: 'refused' },
  });
  await house.give(house.desk, 'hand-over.return', {
    itemId: meant.id,
    version: meant.version + 1,
    returned: false,
    absence: '',
  });
  value(await put({ item: { ...meant, version: meant.version + 2 }, removed: true }));
  expect((await view(number)).items.map((i) => i.name)).toEqual(['gig bag']);
});

test('several lines answered at once: all of them, or none; what costs nothing is never asked', async () => {
  const { jobId, number } = await takeIn({
    instrument: { ...intake().instrument, serial: randomUUID() } as never,
  });
  for (const operation of ['rod', 'restring', 'second-look'] as const)
    value(await house.give(house.technician, 'plan.add', { jobId, operation, detail: '' }));
  const lines = (await view(number)).lines;
  expect(lines.find((l) => l.operation === 'second-look')).toMatchObject({
    approval: 'yes',
    approvedHow: 'nothing to pay',
  });
  const asked = lines
    .filter((l) => l.approval === 'asked')
    .map((l) => ({ lineId: l.id, version: l.version }));
  const all = { jobId, answer: 'yes', by: 'Petra', how: 'by telephone' } as const;
  const stale = asked.map((l, i) => (i === 1 ? { ...l, version: l.version + 5 } : l));
  expect(await house.give(house.technician, 'work.answer-all', { ...all, lines: stale })).toMatchObject({
    error: { code: 'conflict' },
  });
  expect((await view(number)).lines.filter((l) => l.approval === 'asked')).toHaveLength(2);
  // Whoever hears the yes writes it down.
  value(await house.give(house.technician, 'work.answer-all', { ...all, lines: asked }));
  expect((await view(number)).lines.every((l) => l.approval === 'yes')).toBe(true);
});

test('done in passing: on the order at once, without a charge, finished, and what it moves is stale', async () => {
  const { jobId, number } = await takeIn({
    instrument: { ...intake().instrument, serial: randomUUID() } as never,
  });
  value(
    await house.give(house.technician, 'plan.add', {
      jobId,
      operation: 'rod',
      detail: 'a touch',
      done: true,
    }),
  );
  expect((await view(number)).lines[0]).toMatchObject({
    price: 0,
    approval: 'yes',
    step: 'finished',
    priceReason: 'done in passing',
  });
});

test('every change of it reads as a sentence', async () => {
  expect(await unsaid(house.db)).toEqual([]);
});
