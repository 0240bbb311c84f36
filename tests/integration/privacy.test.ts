import { QueryTypes } from 'sequelize';
import { toHouseHistoryCsv } from '../../src/contracts/formats/history.ts';
import { exportJob } from '../../src/server/exchange/export-job.ts';
import { importJob } from '../../src/server/exchange/import-job.ts';
import { verifySeals } from '../../src/server/hand-over/verify-seals.ts';
import { loadHistory, loadHouseHistory } from '../../src/server/jobs/load-history.ts';
import { keepPeriods } from '../../src/server/privacy/keep-periods.ts';
import { customerFile, loadCustomer } from '../../src/server/privacy/load-customer.ts';
import { staffedHouse, unsaid, value } from './house.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('privacy');
});
afterAll(() => house.db.sequelize.close());

const PETRA = { name: 'Petra Aldous', phone: '555 0101', email: 'petra@example.invalid' };
const THEIRS = /petra|aldous|555 ?0101|jon quarrel/i;

/** Every text of every table, by table, that names them. */
async function whereNamed(): Promise<string[]> {
  const query = <T extends object>(sql: string) =>
    house.db.sequelize.query<T>(sql, { type: QueryTypes.SELECT });
  const tables = await query<{ name: string }>(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE() AND table_type = 'BASE TABLE'",
  );
  const named: string[] = [];
  for (const { name } of tables) {
    const rows = await query<Record<string, unknown>>(`SELECT * FROM ${name}`);
    for (const row of rows)
      for (const [column, v] of Object.entries(row)) {
        const text = typeof v === 'string' ? v : v !== null && typeof v === 'object' ? JSON.stringify(v) : '';
        if (THEIRS.test(text)) named.push(`${name}.${column}`);
      }
  }
  return [...new Set(named)];
}

/** A job of Petra’s, done, paid, signed by somebody else for her. */
async function signedJob() {
  const job = await house.jobWith(['clean-body'], {
    customer: PETRA,
    complaint: 'Petra says it buzzes',
    limitMinor: null,
  });
  const view = () => house.view(job.number);
  await house.order(house.desk, 'desk.message', { jobId: job.jobId, purpose: 'ready', channel: 'mail' });
  value(await job.step('clean-body', 'start'));
  value(await job.step('clean-body', 'finish'));
  await house.order(house.desk, 'hand-over.ending', {
    jobId: job.jobId,
    version: (await view()).handOver.version,
    ending: 'as-it-is',
    note: 'Ms Aldous wants no more.',
  });
  const now = await view();
  const { version } = await house.order(house.technician, 'hand-over.check', {
    jobId: job.jobId,
    version: now.handOver.version,
    checks: Object.fromEntries(now.handOver.asked.map((c) => [c.key, true])),
    exception: '',
  });
  await house.order(house.desk, 'hand-over.invoice', { jobId: job.jobId });
  value(
    await house.give(house.desk, 'hand-over.sign', {
      jobId: job.jobId,
      version,
      signer: 'Jon Quarrel',
      signature: [[{ x: 1, y: 1 }]],
      shown: (await view()).sheet.digest,
    }),
  );
  return { ...job, view };
}

test('what names a customer stands apart from the log, and the history reads as before', async () => {
  const { number, jobId } = await signedJob();
  const rows = await house.db.models.EventRow.findAll({ where: { jobId } });
  expect(JSON.stringify(rows.map((r) => r.data))).not.toMatch(THEIRS);
  const history = await loadHistory(house.db, number);
  const said = history?.entries.map((e) => e.says).join('\n') ?? '';
  expect(said).toContain('Petra');
  const entry = history?.entries.find((e) => e.kind === 'signed');
  expect(JSON.stringify(entry)).toContain('Jon Quarrel');
  await expect(house.db.sequelize.query("UPDATE events SET kind = 'x'")).rejects.toThrow('append-only');
});

test('everything kept of a customer is one file', async () => {
  const customer = await house.db.models.Customer.findOne({ where: { name: PETRA.name } });
  const file = await customerFile(house.db, customer?.id ?? 0);
  expect(file).toMatchObject({ format: 'rubrica customer', customer: PETRA });
  expect(file?.jobs.length).toBeGreaterThan(0);
  expect(file?.messages[0]).toMatchObject({ address: PETRA.email });
  expect(JSON.stringify(file)).toContain('Jon Quarrel');
  expect(await customerFile(house.db, 999_999)).toBeNull();
});

describe('a customer is forgotten', () => {
  test('only once their jobs are closed, by a lead, with the name once more', async () => {
    const open = await house.jobWith([], { customer: { name: 'Olm Tarry', phone: '', email: '' } });
    const olm = await house.db.models.Customer.findOne({ where: { name: 'Olm Tarry' } });
    const ask = {
      customerId: olm?.id ?? 0,
      version: olm?.version ?? 0,
      name: 'olm tarry',
      why: 'they asked',
      photoIds: [],
      invoices: false,
    };
    expect(await house.give(house.desk, 'shelf.erase-customer', ask)).toMatchObject({
      error: { code: 'not-allowed' },
    });
    expect(await house.give(house.lead, 'shelf.erase-customer', { ...ask, name: 'Olm' })).toMatchObject({
      error: { fields: { name: 'Their name is written “Olm Tarry”.' } },
    });
    expect(await house.give(house.lead, 'shelf.erase-customer', ask)).toMatchObject({
      error: { message: `Their job ${open.number} is open: it must end first.` },
    });
    expect(await house.give(house.lead, 'shelf.erase-customer', { ...ask, version: 9 })).toMatchObject({
      error: { code: 'conflict' },
    });
  });

  test('names go from every table; the log, the seals and the sums hold, and a change still shows', async () => {
    const petra = await house.db.models.Customer.findOne({ where: { name: PETRA.name } });
    const jobs = await house.db.models.Job.findAll({ where: { customerId: petra?.id ?? 0 } });
    const [first] = jobs;
    const before = await house.db.models.EventRow.findAll({ order: [['id', 'ASC']] });
    const sealed = await house.db.models.HandOver.findOne({ where: { jobId: first?.id ?? 0 } });
    expect(await whereNamed()).not.toEqual([]);
    const done = value(
      await house.give(house.owner, 'shelf.erase-customer', {
        customerId: petra?.id ?? 0,
        version: petra?.version ?? 0,
        name: PETRA.name,
        why: 'Petra asked',
        photoIds: [],
        invoices: true,
      }),
    );
    expect(done).toEqual({ jobs: jobs.length, photos: 0 });
    expect(await whereNamed()).toEqual([]);
    const after = await house.db.models.EventRow.findAll({ order: [['id', 'ASC']], limit: before.length });
    expect(after.map((e) => JSON.stringify(e))).toEqual(before.map((e) => JSON.stringify(e)));
    const view = await house.view(first?.number ?? 0);
    expect(view.seal).toMatchObject({ kind: 'whole', digest: sealed?.digest });
    expect(view.seal).toMatchObject({
      withdrawn: { what: expect.arrayContaining(['the customer’s name']) as unknown },
    });
    expect(view.sheet.content.customer).toBe('(withdrawn)');
    expect(view.complaint).toBe('(withdrawn) says it buzzes');
    expect((await verifySeals(house.db)).broken).toEqual([]);
    const history = await loadHistory(house.db, first?.number ?? 0);
    expect(history?.entries.at(-1)?.says).toMatch(/^withdrew the customer’s name, .*because: \(withdrawn\)/);
    expect(await loadCustomer(house.db, petra?.id ?? 0)).toMatchObject({ phone: '', email: '' });
    // What is left is still sealed.
    await house.db.models.Job.update({ complaint: 'it never buzzed' }, { where: { id: first?.id ?? 0 } });
    expect((await house.view(first?.number ?? 0)).seal).toMatchObject({
      kind: 'broken',
      changed: ['complaint'],
    });
    await house.db.models.Job.update(
      { complaint: '(withdrawn) says it buzzes' },
      { where: { id: first?.id ?? 0 } },
    );
  });

  test('their job still goes to another house and comes back, whole', async () => {
    const job = await house.db.models.Job.findOne({ where: { complaint: '(withdrawn) says it buzzes' } });
    const zip = await exportJob(house.db, job?.number ?? 0);
    const other = await staffedHouse('privacy_other');
    try {
      const came = await importJob(other.db, other.owner, zip ?? new Uint8Array(), new Date());
      expect(came).toEqual({ ok: true, value: job?.number });
      expect((await verifySeals(other.db)).broken).toEqual([]);
    } finally {
      await other.db.sequelize.close();
    }
  });
});

test('a tweak’s earlier signature loses its names too, and its place in the chain holds', async () => {
  const { number, jobId, view } = await signedJob();
  await house.order(house.desk, 'hand-over.tweak', { jobId, words: 'Petra wants it lower' });
  await house.order(house.desk, 'hand-over.ending', {
    jobId,
    version: (await view()).handOver.version,
    ending: 'as-it-is',
    note: '',
  });
  const again = await view();
  const { version } = await house.order(house.technician, 'hand-over.check', {
    jobId,
    version: again.handOver.version,
    checks: Object.fromEntries(again.handOver.asked.map((c) => [c.key, true])),
    exception: '',
  });
  value(
    await house.give(house.desk, 'hand-over.sign', {
      jobId,
      version,
      signer: 'Petra Aldous',
      signature: null,
      shown: (await view()).sheet.digest,
    }),
  );
  expect((await view()).seal.kind).toBe('whole');
  const petra = await house.db.models.Customer.findOne({ where: { name: PETRA.name } });
  value(
    await house.give(house.owner, 'shelf.erase-customer', {
      customerId: petra?.id ?? 0,
      version: petra?.version ?? 0,
      name: PETRA.name,
      why: 'asked',
      photoIds: [],
      invoices: true,
    }),
  );
  expect(await whereNamed()).toEqual([]);
  expect((await house.view(number)).seal.kind).toBe('whole');
  await house.db.models.EarlierSeal.update({ tweak: 'nothing' }, { where: { jobId } });
  const seal = await house.db.models.EarlierSeal.findOne({ where: { jobId } });
  await seal?.update({ record: seal.record.replace('it buzzes', 'it hums') });
  expect((await house.view(number)).seal.kind).toBe('broken');
});

describe('periods', () => {
  test('are the shop’s: what is over goes, what is open or on the floor stays', async () => {
    const keep = (version: number, periods: object) =>
      house.give(house.lead, 'house.save-periods', { version, periods: periods as never });
    expect(await keep(0, { customersYears: 0, photosYears: null, messagesMonths: 12 })).toMatchObject({
      error: { fields: { 'periods.customersYears': 'At least one' } },
    });
    const { jobId, number } = await signedJob();
    const old = new Date(Date.now() - 3 * 366 * 86_400_000);
    value(await keep(0, { customersYears: null, photosYears: 2, messagesMonths: 12 }));
    expect(await keep(0, { customersYears: null, photosYears: 2, messagesMonths: 12 })).toMatchObject({
      error: { code: 'conflict' },
    });
    await house.db.models.Job.update({ closedAt: old, takenInAt: old }, { where: { id: jobId } });
    await house.db.models.MessageRow.update({ state: 'delivered', doneAt: old }, { where: { jobId } });
    const first = await keepPeriods(house.db, new Date());
    expect(first).toMatchObject({ customers: 0, messages: 1 });
    expect(await house.db.models.MessageRow.count({ where: { jobId, address: '' } })).toBe(1);
    value(await keep(1, { customersYears: 2, photosYears: 2, messagesMonths: 12 }));
    await house.db.models.Customer.update({ createdAt: old }, { where: {} });
    expect((await keepPeriods(house.db, new Date())).customers).toBe(1);
    expect((await loadHistory(house.db, number))?.entries.at(-1)).toMatchObject({
      by: 'the house',
      says: expect.stringContaining('because: not here for 2 years') as unknown,
    });
    // Their invoices are kept whole for as long as the shop says.
    expect(await whereNamed()).toEqual(['invoices.content']);
    value(await keep(2, { customersYears: 2, photosYears: 2, messagesMonths: 12, invoicesYears: 10 }));
    expect(await keepPeriods(house.db, new Date())).toMatchObject({ customers: 0, invoices: 0 });
    await house.db.models.InvoiceRow.update({ madeAt: new Date(0) }, { where: { jobId } });
    expect((await keepPeriods(house.db, new Date())).invoices).toBe(1);
    expect(await whereNamed()).toEqual([]);
    // Whoever has something here stays.
    expect(await house.db.models.Customer.count({ where: { name: 'Olm Tarry' } })).toBe(1);
  });
});

test('the whole log is one file of sentences, and every kind has one', async () => {
  const all = await loadHouseHistory(house.db, new Date(0), new Date(Date.now() + 1000));
  expect(all.length).toBe(await house.db.models.EventRow.count());
  const text = toHouseHistoryCsv(all);
  expect(text.split('\r\n')[0]).toBe('at (UTC),job,by,on,says,what,of,before,after');
  expect(text).toContain('took it in: “It plays stiff.”');
  expect(await unsaid(house.db)).toEqual([]);
});
