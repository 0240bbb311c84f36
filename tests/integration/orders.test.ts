import type { CommandInput } from '../../src/contracts/commands/commands.ts';
import { addDays, dayIn } from '../../src/core/days/zone.ts';
import { decodeSheet, readSheet } from '../../src/contracts/formats/spreadsheet.ts';
import { guessStockColumns, stockContent } from '../../src/contracts/formats/stock-file.ts';
import { deliverDue } from '../../src/server/messages/deliver.ts';
import { loadShop } from '../../src/server/house/load-shop.ts';
import { loadFigures } from '../../src/server/stores/load-figures.ts';
import { loadJobStock } from '../../src/server/stores/load-job-stock.ts';
import { loadOrder, loadOrders, loadSuppliers } from '../../src/server/stores/load-orders.ts';
import { loadItem, loadStores } from '../../src/server/stores/load-stores.ts';
import { stockCsv } from '../../src/server/stores/stock-csv.ts';
import { readWork } from '../../src/server/week/read-work.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('orders');
});
afterAll(() => house.db.sequelize.close());

const TODAY = () => dayIn(Date.now(), 'UTC');
const SUPPLIER = 'Tarn Supplies';
const BRONZE: CommandInput<'stores.save-item'> = {
  itemId: null,
  version: 0,
  sort: 'string-set',
  name: 'Light bronze',
  facts: { strings: '53w 42w 32w 24w 16p 12p', wrap: 'bronze' },
  place: 'drawer 2',
  supplier: SUPPLIER,
  code: '',
  least: 0,
  usual: 10,
  cost: 600,
  price: 1200,
  tax: null,
  retired: false,
};

/** Puts a set on the shelves as the only one: what was kept before is kept no longer. */
async function onlyItem(more: Partial<typeof BRONZE> = {}): Promise<number> {
  for (const i of (await loadStores(house.db)).filter((x) => !x.retired && x.sort === 'string-set'))
    await house.order(house.technician, 'stores.save-item', {
      ...BRONZE,
      itemId: i.id,
      version: i.version,
      sort: i.sort,
      name: i.name,
      retired: true,
    });
  return (await house.order(house.technician, 'stores.save-item', { ...BRONZE, ...more })).itemId;
}
const received = (itemId: number, quantity: number) =>
  house.order(house.technician, 'stores.move', {
    itemId,
    kind: 'received',
    quantity,
    jobId: null,
    lineId: null,
    reason: '',
  });
const written = (rows: readonly { itemId: number; quantity: number }[], expected: string | null = null) =>
  house.order(house.desk, 'stores.save-order', {
    orderId: null,
    version: 0,
    supplier: SUPPLIER,
    note: '',
    expected,
    rows: [...rows],
  });
const placed = async (orderId: number, version: number, how: 'mail' | 'own' | 'not' = 'own') =>
  (await house.order(house.desk, 'stores.place-order', { orderId, version, how })).version;
const jobRow = async (jobId: number) => {
  const job = await house.db.models.Job.findByPk(jobId);
  if (!job) throw new Error('no such job');
  return job;
};

test('a yes to what is not here: the job waits on the part rail for the likely day, Week knows it, and it wakes when it comes', async () => {
  const { jobWith, order, db, technician, desk } = house;
  const itemId = await onlyItem();
  const { jobId, number, line } = await jobWith(['restring']);
  expect(await jobRow(jobId)).toMatchObject({ waitingFor: 'part', waitingNote: 'to order: Light bronze' });
  expect(await loadItem(db, itemId, new Date())).toMatchObject({
    wanted: 1,
    wants: [{ jobId, job: number, order: null }],
  });

  // Only written, it brings nothing yet; out, it is awaited, and the day can be put right.
  const expected = addDays(TODAY(), 4);
  const o = await written([{ itemId, quantity: 10 }], expected);
  expect((await jobRow(jobId)).waitingUntil).toBeNull();
  let version = await placed(o.orderId, o.version);
  expect(await jobRow(jobId)).toMatchObject({ waitingFor: 'part', waitingNote: 'on order: Light bronze' });
  expect(dayIn((await jobRow(jobId)).waitingUntil?.getTime() ?? 0, (await loadShop(db)).zone)).toBe(expected);
  const later = addDays(TODAY(), 9);
  ({ version } = await order(desk, 'stores.save-order', {
    orderId: o.orderId,
    version,
    supplier: SUPPLIER,
    note: '',
    expected: later,
    rows: [{ itemId, quantity: 10 }],
  }));
  const zone = (await loadShop(db)).zone;
  expect(dayIn((await jobRow(jobId)).waitingUntil?.getTime() ?? 0, zone)).toBe(later);
  const { id: lineId } = await line('restring');
  const stepOf = async () =>
    (await readWork(db)).work.jobs.find((j) => j.id === jobId)?.steps.find((s) => s.id === `line:${lineId}`);
  expect((await stepOf())?.waits).toMatchObject({ for: 'part' });
  expect((await stepOf())?.waits?.until.likely).toBeGreaterThan(7 * 1440);

  // Some of it comes: it is on the shelf, one of them is the job's, and the job is back in hands.
  ({ version } = await order(technician, 'stores.order-came', {
    orderId: o.orderId,
    version,
    rows: [{ itemId, came: 4 }],
  }));
  expect(await jobRow(jobId)).toMatchObject({
    waitingFor: 'hands',
    waitingNote: '',
    waitingUntil: null,
    waitsForStock: false,
  });
  expect((await stepOf())?.waits).toBeNull();
  expect(await loadItem(db, itemId, new Date())).toMatchObject({
    onHand: 4,
    free: 3,
    wanted: 0,
    coming: 6,
    asides: [{ jobId, quantity: 1 }],
  });
  expect(await loadOrder(db, o.orderId, new Date())).toMatchObject({ standing: 'partly here' });
  expect((await loadOrders(db, new Date(Date.now() + 20 * 86_400_000)))[0]).toMatchObject({
    standing: 'late',
  });

  // One too many was said: put right, and the shelf with it.
  ({ version } = await order(technician, 'stores.order-came', {
    orderId: o.orderId,
    version,
    rows: [{ itemId, came: 3 }],
  }));
  expect(await loadItem(db, itemId, new Date())).toMatchObject({ onHand: 3, free: 2, coming: 7 });
  ({ version } = await order(desk, 'stores.end-order', { orderId: o.orderId, version, ended: true }));
  expect(await loadOrder(db, o.orderId, new Date())).toMatchObject({ standing: 'ended' });
  expect((await loadItem(db, itemId, new Date()))?.coming).toBe(0);
});

test('who asked first is served first; a job somebody hung there by hand stays; another step goes on', async () => {
  const { jobWith, order, db, desk, technician } = house;
  const itemId = await onlyItem({ name: 'Custom bronze' });
  const first = await jobWith(['restring']);
  const second = await jobWith(['restring']);
  // The next step of this one takes nothing that is missing: it hangs in hands and waits for its strings nonetheless.
  const third = await jobWith(['board-clean', 'restring']);
  expect((await jobRow(third.jobId)).waitingFor).toBe('hands');
  const byHand = await jobRow(second.jobId);
  await order(desk, 'rack.move', {
    jobId: second.jobId,
    version: byHand.version,
    placeId: null,
    waitingFor: 'part',
    waitingNote: 'a bridge to be made',
    holderId: technician.personId,
  });
  await received(itemId, 1);
  expect((await loadItem(db, itemId, new Date()))?.asides).toMatchObject([{ jobId: first.jobId }]);
  expect((await jobRow(first.jobId)).waitingFor).toBe('hands');
  await received(itemId, 1);
  expect(await jobRow(second.jobId)).toMatchObject({
    waitingFor: 'part',
    waitingNote: 'a bridge to be made',
  });
  // Whoever has it is told that it is here.
  expect((await db.models.Notice.findAll({ where: { jobId: second.jobId } })).map((n) => n.words)).toEqual(
    [],
  );
  await received(itemId, 1);
  expect((await loadItem(db, itemId, new Date()))?.asides.map((a) => a.jobId)).toEqual([
    first.jobId,
    second.jobId,
    third.jobId,
  ]);
});

test('a yes that becomes a no lets go what was set aside and what was waited for; the next one has it', async () => {
  const { jobWith, order, db, desk } = house;
  const itemId = await onlyItem({ name: 'The one set' });
  await received(itemId, 1);
  const first = await jobWith(['restring']);
  const second = await jobWith(['restring']);
  expect((await jobRow(second.jobId)).waitingFor).toBe('part');
  const no = async (job: typeof first) => {
    const { id: lineId, version } = await job.line('restring');
    await order(desk, 'work.answer', { lineId, version, answer: 'no', by: 'Petra', how: 'by telephone' });
  };
  await no(first);
  expect((await loadItem(db, itemId, new Date()))?.asides).toMatchObject([{ jobId: second.jobId }]);
  expect((await jobRow(second.jobId)).waitingFor).toBe('hands');
  await no(second);
  expect(await loadItem(db, itemId, new Date())).toMatchObject({ free: 1, asides: [], wants: [] });
});

test('an order by e-mail leaves by the shop’s own service, to the supplier, about no job; taken back while nothing came', async () => {
  const { order, give, db, desk } = house;
  const itemId = await onlyItem({ name: 'By mail', code: '778' });
  const o = await written([{ itemId, quantity: 10 }]);
  const mail = { orderId: o.orderId, version: o.version, how: 'mail' } as const;
  expect(await give(desk, 'stores.place-order', mail)).toMatchObject({
    error: { code: 'refused', message: `There is no e-mail address of ${SUPPLIER}.` },
  });
  expect(
    await give(desk, 'stores.save-supplier', { name: SUPPLIER, version: 0, email: 'orders', days: null }),
  ).toMatchObject({ error: { fields: { email: expect.any(String) as string } } });
  await order(desk, 'stores.save-supplier', {
    name: SUPPLIER,
    version: 0,
    email: 'orders@tarn.example',
    days: 5,
  });
  expect((await loadSuppliers(db)).find((s) => s.name === SUPPLIER)).toMatchObject({ days: 5, version: 1 });
  // Taken back before it leaves, its letter goes with it; nothing comes of what has not gone out.
  const back = await placed(o.orderId, await placed(o.orderId, o.version, 'mail'), 'not');
  expect(await db.models.MessageRow.count({ where: { purpose: 'order' } })).toBe(0);
  expect(await loadOrder(db, o.orderId, new Date())).toMatchObject({ standing: 'written', letter: null });
  expect(
    await give(desk, 'stores.order-came', {
      orderId: o.orderId,
      version: back,
      rows: [{ itemId, came: 1 }],
    }),
  ).toMatchObject({ error: { code: 'refused' } });
  const version = await placed(o.orderId, back, 'mail');
  const letter = await db.models.MessageRow.findOne({ where: { purpose: 'order' } });
  expect(letter).toMatchObject({ address: 'orders@tarn.example', jobId: null, state: 'waiting' });
  expect(letter?.body).toContain('10 sets  By mail (53w 42w 32w 24w 16p 12p, bronze), code 778');
  const zone = (await loadShop(db)).zone;
  expect((await loadOrder(db, o.orderId, new Date()))?.expected).toBe(addDays(dayIn(Date.now(), zone), 5));
  await deliverDue(db, new Date(Date.now() + 3_600_000));
  expect(await loadOrder(db, o.orderId, new Date())).toMatchObject({
    letter: { state: 'delivered', wentBy: 'simulated' },
  });
  // What has left did go out.
  expect(await give(desk, 'stores.place-order', { orderId: o.orderId, version, how: 'not' })).toMatchObject({
    error: { code: 'refused' },
  });
});

test('an order is corrected, never under a colleague’s feet; what came stays on it; a supplier once written to stays', async () => {
  const { order, give, desk, technician } = house;
  const itemId = await onlyItem({ name: 'Corrected' });
  const other = (
    await order(technician, 'stores.save-item', { ...BRONZE, name: 'Another', sort: 'own', facts: {} })
  ).itemId;
  const o = await written([
    { itemId, quantity: 10 },
    { itemId: other, quantity: 2 },
  ]);
  const change = (version: number, more: Partial<CommandInput<'stores.save-order'>>) => ({
    orderId: o.orderId,
    version,
    supplier: SUPPLIER,
    note: '',
    expected: null,
    rows: [{ itemId, quantity: 12 }],
    ...more,
  });
  let { version } = await order(desk, 'stores.save-order', change(o.version, {}));
  expect(await give(desk, 'stores.save-order', change(o.version, {}))).toMatchObject({
    error: { code: 'conflict' },
  });
  version = await placed(o.orderId, version);
  ({ version } = await order(technician, 'stores.order-came', {
    orderId: o.orderId,
    version,
    rows: [{ itemId, came: 1.5 }],
  }));
  for (const [field, more] of [
    ['rows', { rows: [{ itemId: other, quantity: 1 }] }],
    [
      'rows',
      {
        rows: [
          { itemId, quantity: 1 },
          { itemId, quantity: 2 },
        ],
      },
    ],
    [
      'rows',
      {
        rows: [
          { itemId, quantity: 1 },
          { itemId: 999_999, quantity: 2 },
        ],
      },
    ],
    ['supplier', { supplier: 'Somebody else' }],
  ] as const)
    expect(await give(desk, 'stores.save-order', change(version, more as never))).toMatchObject({
      error: { fields: { [field]: expect.any(String) as string } },
    });
  expect(
    await give(technician, 'stores.order-came', {
      orderId: o.orderId,
      version,
      rows: [{ itemId: other, came: 1 }],
    }),
  ).toMatchObject({ error: { fields: { rows: expect.any(String) as string } } });
  // What is gone from the shelf meanwhile cannot be taken back from it.
  await order(technician, 'stores.move', {
    itemId,
    kind: 'used',
    quantity: 1,
    jobId: null,
    lineId: null,
    reason: '',
  });
  expect(
    await give(technician, 'stores.order-came', { orderId: o.orderId, version, rows: [{ itemId, came: 0 }] }),
  ).toMatchObject({ error: { code: 'refused' } });
});

test('what a step took is written down at once, or not at all; what it waited for is forgotten when it is finished without', async () => {
  const { jobWith, order, give, db, technician, desk } = house;
  const itemId = await onlyItem({ name: 'Taken' });
  const { jobId, number, line, step } = await jobWith(['restring', 'board-clean']);
  const { id: lineId } = await line('restring');
  expect((await loadItem(db, itemId, new Date()))?.wanted).toBe(1);
  const take = (quantity: number) =>
    give(technician, 'stores.take', { jobId, lineId, rows: [{ itemId, quantity }] });
  expect(await take(1)).toMatchObject({ error: { code: 'refused' } });
  await received(itemId, 2);
  expect(await give(desk, 'stores.take', { jobId, lineId, rows: [{ itemId, quantity: 1 }] })).toMatchObject({
    error: { code: 'not-allowed' },
  });
  await order(technician, 'stores.take', { jobId, lineId, rows: [{ itemId, quantity: 2 }] });
  expect((await loadJobStock(db, number, new Date()))?.lines.find((l) => l.lineId === lineId)).toMatchObject({
    took: true,
  });
  await order(technician, 'stores.want', {
    jobId,
    itemId,
    lineId: (await line('board-clean')).id,
    quantity: 1,
  });
  expect((await loadItem(db, itemId, new Date()))?.wanted).toBe(1);
  await step('board-clean', 'start');
  expect(await step('board-clean', 'finish')).toMatchObject({ ok: true });
  expect((await loadItem(db, itemId, new Date()))?.wanted).toBe(0);
});

test('the shelves as a list: what goes out comes in again in another shop; what is known is left alone', async () => {
  const { order, db, technician } = house;
  await onlyItem({ name: 'Out and in', code: '5501', least: 2 });
  await order(technician, 'stores.save-item', {
    ...BRONZE,
    name: 'Blank, bone',
    sort: 'saddle-blank',
    facts: { material: 'bone', thick: '3 mm', high: '12 mm', long: '80 mm' },
  });
  const { currency: money, tax } = await loadShop(db);
  const shop = { money, rates: tax.rates };
  const before = (await loadStores(db)).filter((i) => !i.retired && i.sort !== 'own');
  const text = stockCsv(before, shop);
  const sheet = readSheet(decodeSheet(new TextEncoder().encode(text)));
  if (!sheet.ok) throw new Error(sheet.error);
  const { entries, wrong } = stockContent(sheet.value, guessStockColumns(sheet.value.head), 'own', shop);
  expect(wrong).toEqual([]);
  const items = entries.map((e) => ({ ...e, facts: { ...e.facts } }));
  expect(await order(technician, 'stores.import', { items })).toEqual({ added: 0, known: 2 });
  const others = items.map((i) => ({ ...i, name: `${i.name}, another`, code: '', there: 3 }));
  expect(await order(technician, 'stores.import', { items: others })).toEqual({ added: 2, known: 0 });
  const after = await loadStores(db);
  for (const b of before)
    expect(after.find((i) => i.name === `${b.name}, another`)).toMatchObject({
      sort: b.sort,
      facts: b.facts,
      least: b.least,
      cost: b.cost,
      onHand: 3,
    });
});

test('figures: what it cost, what each month took, what lies still', async () => {
  const { db, order, technician } = house;
  const itemId = await onlyItem({ name: 'Counted' });
  await received(itemId, 5);
  await order(technician, 'stores.move', {
    itemId,
    kind: 'used',
    quantity: 2,
    jobId: null,
    lineId: null,
    reason: '',
  });
  const now = await loadFigures(db, new Date());
  expect(now.value.find((v) => v.sort === 'string-set')).toMatchObject({ value: 1800 });
  expect(now.use.find((u) => u.id === itemId)?.by.at(-1)).toBe(2);
  expect(now.still.some((i) => i.id === itemId)).toBe(false);
  const nextYear = await loadFigures(db, new Date(Date.now() + 370 * 86_400_000));
  expect(nextYear.still.find((i) => i.id === itemId)).toMatchObject({ onHand: 3 });
});
