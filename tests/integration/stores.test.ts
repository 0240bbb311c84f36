import { after, NOTHING, replayed } from '../../src/core/stock/ledger.ts';
import { seeded } from '../../src/core/seeded.ts';
import { answerEstimate } from '../../src/server/customer/estimate.ts';
import { loadJobStock } from '../../src/server/stores/load-job-stock.ts';
import { loadItem, loadStores } from '../../src/server/stores/load-stores.ts';
import type { CommandInput } from '../../src/contracts/commands/commands.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('stores');
});
afterAll(() => house.db.sequelize.close());

type Item = CommandInput<'stores.save-item'>;
const BRONZE: Item = {
  itemId: null,
  version: 0,
  sort: 'string-set',
  name: 'Light bronze',
  facts: { strings: '53w 42w 32w 24w 16p 12p' },
  place: 'drawer 2',
  supplier: 'Tarn Supplies',
  code: '',
  least: 2,
  usual: 10,
  cost: 600,
  price: 1200,
  tax: null,
  retired: false,
};
const kept = async (more: Partial<Item> = {}) =>
  (await house.order(house.technician, 'stores.save-item', { ...BRONZE, ...more })).itemId;
const move = (
  itemId: number,
  kind: CommandInput<'stores.move'>['kind'],
  quantity: number,
  more: Partial<CommandInput<'stores.move'>> = {},
  who = house.technician,
) =>
  house.give(who, 'stores.move', { itemId, kind, quantity, jobId: null, lineId: null, reason: '', ...more });

test('an item is kept with what it is, corrected, and kept no longer; a colleague’s change is never overwritten', async () => {
  const itemId = await kept({ code: '4001' });
  const wrong = await house.give(house.technician, 'stores.save-item', {
    ...BRONZE,
    facts: { strings: 'light' },
  });
  expect(wrong).toMatchObject({
    error: { code: 'invalid', fields: { 'facts.strings': expect.any(String) as string } },
  });
  expect(await house.give(house.technician, 'stores.save-item', { ...BRONZE, code: '4001' })).toMatchObject({
    error: { fields: { code: 'Light bronze has that code.' } },
  });
  expect(await house.give(house.desk, 'stores.save-item', BRONZE)).toMatchObject({
    error: { code: 'not-allowed' },
  });
  const change = { ...BRONZE, itemId, code: '4001', version: 1 };
  expect(await house.order(house.technician, 'stores.save-item', { ...change, place: 'drawer 3' })).toEqual({
    itemId,
    version: 2,
  });
  expect(await house.give(house.owner, 'stores.save-item', { ...change, place: 'drawer 4' })).toMatchObject({
    error: { code: 'conflict' },
  });
  await house.order(house.owner, 'stores.save-item', { ...change, version: 2, retired: true });
  expect((await loadStores(house.db)).find((i) => i.id === itemId)).toMatchObject({
    place: 'drawer 2',
    retired: true,
  });
});

test('what comes in waits for a job, is used for it, and stands in its history; nobody takes what waits for another', async () => {
  const itemId = await kept();
  const [a, b] = [await house.jobWith(['restring']), await house.jobWith(['restring'])];
  // Both have waited for it since their yes, and do no longer: it is free.
  for (const { jobId } of [b, a])
    await house.order(house.technician, 'stores.want', { jobId, itemId, lineId: null, quantity: 0 });
  expect(await move(itemId, 'received', 1, {}, house.desk)).toMatchObject({ value: { onHand: 1, free: 1 } });
  expect(await move(itemId, 'set-aside', 1, { jobId: a.jobId })).toMatchObject({
    value: { onHand: 1, free: 0 },
  });
  expect(await move(itemId, 'used', 1, { jobId: b.jobId })).toMatchObject({
    error: { code: 'refused', message: 'Light bronze: The only one there waits for another job.' },
  });
  expect(await move(itemId, 'used', 1, { jobId: a.jobId }, house.desk)).toMatchObject({
    error: { code: 'not-allowed' },
  });
  const { id: lineId } = await a.line('restring');
  expect(await move(itemId, 'used', 1, { jobId: b.jobId, lineId })).toMatchObject({
    error: { fields: { lineId: expect.any(String) as string } },
  });
  expect(await move(itemId, 'used', 1, { jobId: a.jobId, lineId })).toMatchObject({ value: { onHand: 0 } });
  expect(await move(itemId, 'used', 1)).toMatchObject({
    error: { message: expect.stringContaining('count it') as string },
  });
  expect((await loadJobStock(house.db, a.number, new Date()))?.used).toMatchObject([{ itemId, quantity: 1 }]);
  const item = await loadItem(house.db, itemId, new Date());
  expect(item?.moves.map((m) => [m.kind, m.quantity, m.onHand, m.job])).toEqual([
    ['used', 1, 0, a.number],
    ['set-aside', 1, 1, a.number],
    ['received', 1, 1, null],
  ]);
  // Not used after all: it is on the shelf again, and the job took nothing.
  await move(itemId, 'returned', 1, { jobId: a.jobId });
  expect((await loadJobStock(house.db, a.number, new Date()))?.used).toEqual([]);
});

test('a count that differs says why; what breaks says how; nothing waits without a job', async () => {
  const itemId = await kept();
  await move(itemId, 'received', 3);
  expect(await move(itemId, 'counted', 3)).toMatchObject({ ok: true });
  expect(await move(itemId, 'counted', 2)).toMatchObject({
    error: { fields: { reason: 'Why is it another number?' } },
  });
  expect(await move(itemId, 'counted', 2, { reason: 'one lay behind the drawer' })).toMatchObject({
    value: { onHand: 2 },
  });
  expect(await move(itemId, 'broken', 1)).toMatchObject({
    error: { fields: { reason: 'What happened to it?' } },
  });
  expect(await move(itemId, 'set-aside', 1)).toMatchObject({
    error: { fields: { jobId: 'For which job?' } },
  });
  expect(await move(itemId, 'received', 0)).toMatchObject({
    error: { fields: { quantity: expect.any(String) as string } },
  });
});

test('twenty people at ten items at once: ledger, what waits and the shelves agree, nothing is set aside twice', async () => {
  const random = seeded(20);
  const items = await Promise.all(Array.from({ length: 10 }, (_, i) => kept({ name: `Item ${i}` })));
  for (const id of items) await move(id, 'received', 5);
  const jobs: number[] = [];
  for (let i = 0; i < 4; i++) jobs.push((await house.jobWith([])).jobId);
  const kinds = ['set-aside', 'released', 'used', 'received', 'set-aside', 'used'] as const;
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] as T;
  for (let round = 0; round < 12; round++)
    await Promise.all(
      Array.from({ length: 20 }, () =>
        move(pick(items), pick(kinds), 1 + Math.floor(2 * random()), { jobId: pick(jobs) }),
      ),
    );
  for (const id of items) {
    const rows = await house.db.models.StockMoveRow.findAll({
      where: { itemId: id },
      order: [['id', 'ASC']],
    });
    let level = NOTHING;
    for (const r of rows) {
      const next = after(level, { kind: r.kind, quantity: Number(r.quantity), job: r.jobId });
      if (!next.ok) throw new Error(`the ledger holds what could not happen: ${r.kind}`);
      level = next.value;
      expect(Number(r.onHand)).toBe(level.onHand);
    }
    expect(replayed(rows.map((r) => ({ kind: r.kind, quantity: Number(r.quantity), job: r.jobId })))).toEqual(
      level,
    );
    const [item, asides] = [
      await house.db.models.StockItem.findByPk(id),
      await house.db.models.StockAside.findAll({ where: { itemId: id } }),
    ];
    expect(Number(item?.onHand)).toBe(level.onHand);
    expect(new Map(asides.map((x) => [x.jobId, Number(x.quantity)]))).toEqual(
      new Map([...level.aside].sort((x, y) => x[0] - y[0])),
    );
  }
});

test('a yes sets aside what the line takes, one of each, for who asked first; what is over when the job closes is free again', async () => {
  const { order, give, desk, technician, view, jobWith } = house;
  for (const i of await loadStores(house.db)) {
    const {
      itemId,
      version,
      free: _f,
      onHand: _o,
      id,
      facts: _facts,
      retired: _r,
      ...rest
    } = { ...i, itemId: i.id };
    await order(technician, 'stores.save-item', {
      ...BRONZE,
      ...rest,
      itemId: id ?? itemId,
      version,
      facts: BRONZE.facts,
      retired: true,
    });
  }
  const itemId = await kept({ name: 'The last set' });
  await move(itemId, 'received', 1);
  const first = await jobWith(['restring', 'play-test']);
  const second = await jobWith(['restring']);
  const stock = async (number: number) =>
    (await loadJobStock(house.db, number, new Date()))?.lines[0]?.needs[0]?.options[0];
  expect(await stock(first.number)).toMatchObject({
    name: 'The last set',
    free: 0,
    aside: 1,
    how: 'just so',
  });
  expect(await stock(second.number)).toMatchObject({ name: 'The last set', free: 0, aside: 0 });
  expect((await loadItem(house.db, itemId, new Date()))?.asides).toEqual([
    { jobId: first.jobId, job: first.number, quantity: 1 },
  ]);
  const { handOver } = await view(first.number);
  expect(
    await give(desk, 'hand-over.end', {
      jobId: first.jobId,
      version: handOver.version,
      ending: 'called-off',
      note: 'The customer wants to think about it.',
    }),
  ).toMatchObject({ ok: true });
  // The other job has waited for it: it is theirs at once.
  expect(await loadItem(house.db, itemId, new Date())).toMatchObject({
    free: 0,
    wants: [],
    asides: [{ jobId: second.jobId }],
  });
  expect(await move(itemId, 'set-aside', 1, { jobId: first.jobId })).toMatchObject({
    error: { fields: { jobId: expect.any(String) as string } },
  });
});

test('a yes over the link sets aside, too, and the ledger says it was nobody of the shop', async () => {
  const { order, give, desk, technician, jobWith, view, db } = house;
  const itemId = await kept({ name: 'By the link' });
  await move(itemId, 'received', 1);
  const { jobId, number } = await jobWith([]);
  await order(technician, 'plan.add', { jobId, operation: 'restring', detail: '' });
  const made = await give(desk, 'work.link', { jobId, purpose: 'estimate' });
  if (!made.ok) throw new Error(made.error.message);
  const [line] = (await view(number)).lines;
  const said = await answerEstimate(
    db,
    made.value.token,
    { lineId: line?.id ?? 0, version: line?.version ?? 0, answer: 'yes', by: 'Petra Aldous' },
    new Date(),
  );
  expect(said).toEqual({ ok: true });
  const item = await loadItem(db, itemId, new Date());
  expect(item?.asides).toMatchObject([{ job: number, quantity: 1 }]);
  expect(item?.moves[0]).toMatchObject({ kind: 'set-aside', by: '' });
});
