/** What did not work is kept for the owner: in plain words, once, without anything that was typed. */
import { Failures, keepFailures, loadFailures } from '../../src/server/keep/failures.ts';
import { hearFailures, houseLog } from '../../src/server/keep/log.ts';
import { sweep } from '../../src/server/keep/sweep.ts';
import type { Database } from '../../src/server/db/connection.ts';
import { emptyHouse } from './house.ts';

let db: Database;
beforeAll(async () => {
  db = await emptyHouse('failures');
});
afterAll(async () => {
  hearFailures(() => undefined);
  await db.sequelize.close();
});
beforeEach(() => db.models.FailureRow.destroy({ where: {} }));

const shown = async () =>
  (await loadFailures(db, new Date())).map(({ id: _id, at: _at, since: _since, ...rest }) => rest);

test('what the log says failed stands there soon, twice the same once with its count; a warning without a fault does not', async () => {
  const failures = keepFailures(() => db);
  const error = new TypeError('Petra Aldous 555 0101');
  for (const request of ['ab12', 'cd34'])
    houseLog().error('a command failed', { request, command: 'x', name: 'readings.save', error });
  houseLog().warn('a screen failed', { at: `/estimate/${'a'.repeat(43)}?q=Petra`, error });
  houseLog().warn('nothing broke');
  while (!failures.isEmpty) await new Promise((go) => setTimeout(go, 20));
  const found = await shown();
  expect(found).toHaveLength(2);
  expect(found).toContainEqual({
    words: 'a command failed',
    name: 'readings.save',
    why: 'program',
    request: 'cd34',
    times: 2,
  });
  expect(found).toContainEqual({
    words: 'a screen failed',
    name: '/estimate/…token…',
    why: 'program',
    request: '',
    times: 1,
  });
  expect(JSON.stringify(found)).not.toMatch(/Petra|555/);
});

test('a database that is away is said to be it; what failed meanwhile is kept when it is back', async () => {
  const failures = new Failures();
  const away = Object.assign(new Error('x'), { name: 'SequelizeConnectionRefusedError' });
  failures.note('a request failed', { at: '/rack', error: new Error('no rack', { cause: away }) });
  await expect(failures.keep({ sequelize: { query: () => Promise.reject(away) } } as never)).rejects.toThrow(
    'x',
  );
  failures.note('a request failed', { at: '/rack', error: away });
  await failures.keep(db);
  expect(failures.isEmpty).toBe(true);
  expect(await shown()).toEqual([
    { words: 'a request failed', name: '/rack', why: 'database', request: '', times: 2 },
  ]);
  failures.note('a request failed', { at: '/rack', error: away });
  await failures.keep(db);
  expect((await shown())[0]).toMatchObject({ times: 3 });
});

test('a full disk or a line that is down is no fault of the program', async () => {
  const failures = new Failures();
  const full = Object.assign(new Error('no space'), { code: 'ENOSPC' });
  failures.note('photos could not be kept', { error: new Error('not kept', { cause: full }) });
  await failures.keep(db);
  expect(await shown()).toMatchObject([{ words: 'photos could not be kept', why: 'machine' }]);
});

test('however many different ones there are, no more than some hundred wait; old ones are not shown, and swept', async () => {
  const failures = new Failures();
  const then = new Date(Date.now() - 40 * 86_400_000);
  for (let i = 0; i < 300; i++) failures.note(`loop ${i}`, { error: new Error('x') }, then);
  await failures.keep(db);
  expect(await db.models.FailureRow.count()).toBe(200);
  expect(await shown()).toEqual([]);
  await sweep(db, new Date(Date.now() + 60 * 86_400_000));
  expect(await db.models.FailureRow.count()).toBe(0);
});
