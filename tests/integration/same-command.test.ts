import { randomUUID } from 'node:crypto';
import { DatabaseError } from 'sequelize';
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

test('a command asked for again while it waits for its turn gets the answer of the first, whatever came between', async () => {
  const { itemId } = value(
    await house.give(house.lead, 'stores.save-item', {
      sort: 'own',
      name: 'The last one',
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
    }),
  );
  const move = { itemId, quantity: 1, jobId: null, lineId: null, reason: '' } as const;
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
