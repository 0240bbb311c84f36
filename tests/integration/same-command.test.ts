import { randomUUID } from 'node:crypto';
import { DatabaseError } from 'sequelize';
import { refuse } from '../../src/contracts/failure.ts';
import { fail } from '../../src/core/result.ts';
import { execute } from '../../src/server/door/execute.ts';
import { USE_CASES } from '../../src/server/door/registry.ts';
import { staffedHouse, value } from './house.ts';

let house: Awaited<ReturnType<typeof staffedHouse>>;
beforeAll(async () => {
  house = await staffedHouse('same_command');
});
afterAll(() => house.db.sequelize.close());
afterEach(() => vi.restoreAllMocks());

const given = (): DatabaseError =>
  new DatabaseError(Object.assign(new Error('given up for another'), { sql: '', code: 'ER_LOCK_DEADLOCK' }));

const item = (name: string) =>
  ({
    sort: 'own',
    name,
    facts: {},
    place: '',
    supplier: '',
    code: '',
    itemId: null,
    version: 0,
    least: 0,
    usual: 0,
    cost: null,
    price: null,
    tax: null,
    retired: false,
  }) as const;

const MOVE = { quantity: 1, jobId: null, lineId: null, reason: '' } as const;

/** What a use case may do by the time its command is given again. */
const BY_NOW = {
  'it would do it again': null,
  'it would refuse it': () => Promise.resolve(fail(refuse('It is there already.'))),
  'it would fail': () => Promise.reject(new Error('nothing is as it was')),
  'the database would refuse it': () =>
    Promise.reject(
      new DatabaseError(Object.assign(new Error('too long'), { sql: '', code: 'ER_DATA_TOO_LONG' })),
    ),
} as const;

test.each(Object.entries(BY_NOW))(
  'given again it is answered as at first, and nothing is done: %s',
  async (what, byNow) => {
    const { db, lead } = house;
    const id = randomUUID();
    const input = item(`Kept once: ${what}`);
    const first = await execute(db, lead, 'stores.save-item', input, id);
    expect(first.ok).toBe(true);
    const counts = () => Promise.all([db.models.EventRow.count(), db.models.StockItem.count()]);
    const before = await counts();
    if (byNow) vi.spyOn(USE_CASES['stores.save-item'], 'run').mockImplementation(byNow as never);
    expect(await execute(db, lead, 'stores.save-item', input, id)).toEqual(first);
    vi.restoreAllMocks();
    // Under the same number nothing else is done, and nobody else is answered.
    const other = await execute(db, lead, 'stores.save-item', item(`Another: ${what}`), id);
    expect(other).toEqual(first);
    const elsewhere = await execute(db, lead, 'stores.move', { ...MOVE, itemId: 1, kind: 'received' }, id);
    expect(elsewhere).toMatchObject({ ok: false, error: { code: 'refused' } });
    expect(await counts()).toEqual(before);
  },
);

test('a command asked for again while it waits for its turn gets the answer of the first, whatever came between', async () => {
  const { itemId } = value(await house.give(house.lead, 'stores.save-item', item('The last one')));
  const move = { ...MOVE, itemId };
  const real = USE_CASES['stores.move'].run;
  let calls = 0;
  vi.spyOn(USE_CASES['stores.move'], 'run').mockImplementation(async (work, input) => {
    calls += 1;
    // The first is given up for another and tries again; by the third time one has come in.
    if (calls === 1) throw given();
    if (calls === 3) await real(work, { ...move, kind: 'received' });
    return real(work, input);
  });
  const id = randomUUID();
  const take = () => execute(house.db, house.lead, 'stores.move', { ...move, kind: 'used' }, id);
  const first = take();
  while (calls === 0) await new Promise((r) => setTimeout(r, 1));
  const [a, b] = await Promise.all([first, take()]);
  expect(b).toEqual(a);
  const used = await house.db.models.EventRow.count({ where: { commandId: id } });
  expect(used).toBe(a.ok ? 1 : 0);
});
