import { customerSheet } from '../../src/server/printing/customer-sheet.ts';
import { loadInstrument, loadShelf } from '../../src/server/shelf/load-shelf.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { value, unsaid } from './house.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('endings');
});
afterAll(() => house.db.sequelize.close());

const view: typeof house.view = (number) => house.view(number);
const finish = async (job: Awaited<ReturnType<typeof house.jobWith>>, operation: 'rod' | 'clean-body') => {
  value(await job.step(operation, 'start', house.technician, { without: 'not read in this trial' }));
  value(await job.step(operation, 'finish'));
};

/** Ticks all that is asked, and signs what is shown. */
async function sign(number: number) {
  const job = await view(number);
  const { version } = await house.order(house.technician, 'hand-over.check', {
    jobId: job.id,
    version: job.handOver.version,
    checks: Object.fromEntries(job.handOver.asked.map((c) => [c.key, true])),
    exception: '',
  });
  const { sheet } = await view(number);
  return house.give(house.desk, 'hand-over.sign', {
    jobId: job.id,
    version,
    signer: 'Petra',
    signature: null,
    shown: sheet.digest,
  });
}

test('it goes home as it is: only what was done is asked, said, charged and sealed', async () => {
  const job = await house.jobWith(['clean-body', 'rod'], { limitMinor: null });
  await finish(job, 'clean-body');
  const before = await view(job.number);
  expect(before.handOver.obstacles.join('; ')).toContain('1 agreed steps are not finished');
  await house.order(house.desk, 'hand-over.ending', {
    jobId: job.jobId,
    version: before.handOver.version,
    ending: 'as-it-is',
    note: 'The neck is past its rod.',
  });
  const now = await view(job.number);
  expect(now.handOver.asked.map((c) => c.key)).toEqual(['controls', 'clean']);
  expect(now.handOver.ending).toMatchObject({ is: 'as-it-is', dropped: ['Adjust the truss rod'] });
  // Nobody can tick what was not done.
  const { version } = await house.order(house.technician, 'hand-over.check', {
    jobId: job.jobId,
    version: now.handOver.version,
    checks: { played: true, bends: true },
    exception: '',
  });
  expect((await view(job.number)).handOver).toMatchObject({
    version,
    checks: { controls: false, clean: false },
  });
  value(await sign(job.number));
  const signed = await view(job.number);
  const { content } = signed.sheet;
  expect(content.end).toContain('Only what stands under “What was done” was done');
  expect(content.end).toContain('past its rod');
  expect(content.done.map((d) => d.title)).toHaveLength(1);
  expect(content.left).toContain('Proposed, and not done: The neck’s curve is set with its rod.');
  expect(content.nextCheck).toBeNull();
  expect(content.price.labour).toBe(content.done[0]?.price);
  expect(signed.seal.kind).toBe('whole');
  expect(signed.handOver.payments.toPay).toBe(content.price.toPay);
  const pdf = await customerSheet(signed);
  expect(pdf.length).toBeGreaterThan(5_000);
  // Signed is signed: how it ends cannot be said otherwise any more.
  expect(
    await house.give(house.desk, 'hand-over.ending', {
      jobId: job.jobId,
      version: signed.handOver.version,
      ending: 'done',
      note: '',
    }),
  ).toMatchObject({ error: { code: 'closed' } });
});

test('nothing done: it goes home as it is whether or not somebody says so, and no setup is claimed', async () => {
  const job = await house.jobWith([]);
  value(await sign(job.number));
  const { sheet } = await view(job.number);
  expect(sheet.content.end).toBe('No setup was made: it goes home as it is.');
  expect(sheet.content.checked).toEqual([
    'Put together again as it came: nothing left off, nothing left loose',
  ]);
});

test('work after the check: what it makes true is asked as well, and the sheet waits for it', async () => {
  const job = await house.jobWith(['clean-body', 'rod']);
  await finish(job, 'clean-body');
  const first = await view(job.number);
  await house.order(house.technician, 'hand-over.check', {
    jobId: job.jobId,
    version: first.handOver.version,
    checks: { controls: true, clean: true, played: true, bends: true },
    exception: 'not read in this trial',
  });
  await finish(job, 'rod');
  const now = await view(job.number);
  expect(now.handOver.asked.map((c) => c.key)).toContain('played');
  // It was ticked with the rest while the rod was agreed: it stands; what was never ticked does not.
  expect(now.handOver.obstacles).toEqual([]);
});

test('called off: what came goes back, who said so is kept, nothing is sealed, and a slip has a way back', async () => {
  const job = await house.jobWith(['rod'], { cameWith: [{ name: 'hard case', state: '' }] });
  const input = { jobId: job.jobId, version: 0, ending: 'called-off' as const, note: 'Petra, by telephone' };
  expect(await house.give(house.desk, 'hand-over.end', { ...input, note: ' ' })).toMatchObject({
    error: { fields: { note: expect.any(String) as string } },
  });
  expect(JSON.stringify(await house.give(house.desk, 'hand-over.end', input))).toContain(
    'hard case is not given back',
  );
  const thing = (await view(job.number)).items[0];
  await house.order(house.desk, 'hand-over.return', {
    itemId: thing?.id ?? 0,
    version: thing?.version ?? 0,
    returned: true,
    absence: '',
  });
  await house.order(house.desk, 'hand-over.end', input);
  const ended = await view(job.number);
  expect(ended).toMatchObject({
    state: 'closed',
    seal: { kind: 'open' },
    handOver: { signedAt: null, ending: { is: 'called-off', by: 'The desk', note: input.note } },
  });
  expect(await house.give(house.desk, 'hand-over.tweak', { jobId: job.jobId, words: 'x' })).toMatchObject({
    ok: false,
  });
  await house.order(house.desk, 'hand-over.reopen', { jobId: job.jobId, why: 'the wrong job' });
  expect(await view(job.number)).toMatchObject({
    state: 'open',
    handOver: { ending: { said: 'done', at: null } },
  });
  expect(await house.give(house.desk, 'hand-over.reopen', { jobId: job.jobId, why: 'x' })).toMatchObject({
    ok: false,
  });
});

test('nobody came for it: only after all reminders that went out', async () => {
  const job = await house.jobWith([]);
  const end = async () =>
    house.give(house.desk, 'hand-over.end', {
      jobId: job.jobId,
      version: (await view(job.number)).handOver.version,
      ending: 'never-collected',
      note: 'in the loft',
    });
  expect(JSON.stringify(await end())).toContain('told 0 of 3 times');
  for (let i = 0; i < 3; i++)
    await house.db.models.MessageRow.create({
      jobId: job.jobId,
      purpose: 'ready',
      channel: 'text',
      address: '555',
      subject: 's',
      body: '',
      state: 'delivered',
      doneAt: new Date(),
      madeBy: house.desk.personId,
      madeAt: new Date(),
      dueAt: new Date(),
    });
  value(await end());
  expect((await view(job.number)).handOver.ending.is).toBe('never-collected');
});

test('new stock: checked, to the floor without a signature, sold to somebody new', async () => {
  const job = await house.jobWith([]);
  const end = async () =>
    house.give(house.desk, 'hand-over.end', {
      jobId: job.jobId,
      version: (await view(job.number)).handOver.version,
      ending: 'floor',
      note: '',
    });
  expect(JSON.stringify(await end())).toContain('only new stock');
  await house.order(house.technician, 'inspection.choose-list', { jobId: job.jobId, list: 'sales-floor' });
  expect(JSON.stringify(await end())).toContain('has not ended in “ready for the floor”');
  const items = (await view(job.number)).inspection.items;
  for (const item of items)
    await house.order(house.technician, 'inspection.answer', {
      jobId: job.jobId,
      item: item.key,
      answer: 'fine',
      note: '',
      version: item.version,
    });
  const { version } = (await view(job.number)).inspection;
  await house.order(house.technician, 'inspection.finish', {
    jobId: job.jobId,
    version,
    ending: 'ready for the floor',
  });
  value(await end());
  const hanging = await view(job.number);
  const { id } = hanging.instrument;
  expect((await loadShelf(house.db, '', true)).map((r) => r.id)).toEqual([id]);
  const floor = await loadInstrument(house.db, id);
  expect(floor?.floorSince).toEqual(expect.any(String));
  const sell = {
    instrumentId: id,
    version: floor?.version ?? 0,
    customer: { name: 'Corin Ashby', phone: '', email: '' },
  };
  expect(await house.give(house.technician, 'shelf.sell', { ...sell, version: 99 })).toMatchObject({
    error: { code: 'conflict' },
  });
  await house.order(house.desk, 'shelf.sell', sell);
  expect(await loadShelf(house.db, '', true)).toEqual([]);
  expect(await loadInstrument(house.db, id)).toMatchObject({ customer: 'Corin Ashby', floorSince: null });
  // What it was then stays what it was: the floor's job is still its first visit.
  expect((await loadJob(house.db, job.number))?.handOver.ending.is).toBe('floor');
  expect(await house.give(house.desk, 'shelf.sell', { ...sell, version: sell.version + 1 })).toMatchObject({
    error: { code: 'refused' },
  });
});

test('a deposit, two payments and a refund; one by mistake is taken back and stays to be seen', async () => {
  const job = await house.jobWith(['rod', 'restring']);
  const money = async () => (await view(job.number)).handOver.payments;
  const { toPay } = await money();
  const pay = async (kind: 'deposit' | 'payment' | 'refund', amountMinor: number) =>
    house.give(house.desk, 'hand-over.paid', {
      jobId: job.jobId,
      kind,
      amountMinor,
      how: 'cash',
      note: '',
      over: (await money()).paid,
    });
  value(await pay('deposit', 1000));
  value(await pay('payment', 2000));
  expect(await pay('refund', 3001)).toMatchObject({
    error: { fields: { amountMinor: expect.any(String) as string } },
  });
  value(await pay('refund', 500));
  expect(await money()).toMatchObject({ paid: 2500, open: toPay - 2500 });
  const wrong = (await money()).all[1];
  const back = { paymentId: wrong?.id ?? 0, version: wrong?.version ?? 0, why: 'the next customer’s' };
  await house.order(house.desk, 'hand-over.take-back-payment', back);
  expect(await house.give(house.desk, 'hand-over.take-back-payment', back)).toMatchObject({ ok: false });
  expect(await money()).toMatchObject({ paid: 500, open: toPay - 500 });
  expect((await money()).all).toHaveLength(3);
});

test('every change of it reads as a sentence', async () => {
  expect(await unsaid(house.db)).toEqual([]);
});
