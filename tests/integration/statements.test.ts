/** How many ways to the database a screen costs: counted, not timed. */
import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import { COMMANDS, OTHER_EVENTS, type CommandName } from '../../src/contracts/commands/commands.ts';
import type { Leaf } from '../../src/core/job/leaves.ts';
import { LEAVES } from '../../src/core/job/leaves.ts';
import { loadWaits } from '../../src/server/bench/load-waits.ts';
import { loadBenchJob } from '../../src/server/bench/load-bench-job.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { loadTag } from '../../src/server/desk/load-tag.ts';
import { readShop } from '../../src/server/house/read-shop.ts';
import { loadLeaf } from '../../src/server/leaves/load-leaf.ts';
import { actorFor } from '../../src/server/people/who.ts';
import { loadNotices } from '../../src/server/people/notices.ts';
import { execute } from '../../src/server/door/execute.ts';
import { statementsOf } from '../../cli/bench/bare-statements.ts';
import { demoHouse } from './house.ts';

let db: Database;
beforeAll(async () => {
  process.env['RUBRICA_SECRET'] = 'only for the tests';
  db = await demoHouse('statements');
});
afterAll(() => db.sequelize.close());

const statements = (work: () => Promise<unknown>): Promise<readonly string[]> => statementsOf(db, work);

/** What every page of the house asks besides its own. */
const FRAME = 1;
const frame = async (): Promise<void> => {
  await loadNotices(db, 1);
  await loadWaits(db);
};

test('a tag costs at most four', async () => {
  const given = await statements(() => loadTag(db, 412));
  expect(given.length + FRAME).toBeLessThanOrEqual(4);
  expect(await loadTag(db, 412)).toMatchObject({ number: 412, place: expect.any(String) as unknown });
  expect(await loadTag(db, 9999)).toBeNull();
});

test.each([401, 402, 405, 409, 411, 412].flatMap((n) => LEAVES.map((leaf) => [n, leaf] as const)))(
  'job %d, %s: its first load costs at most twenty',
  async (number, leaf: Leaf) => {
    const given = await statements(async () => {
      await frame();
      await loadLeaf(db, number, leaf);
    });
    expect([given.length + FRAME <= 20, given.length]).toEqual([true, given.length]);
  },
);

test('the bench’s own job, and a calendar file, cost few', async () => {
  expect((await statements(() => loadBenchJob(db, 409))).length).toBeLessThanOrEqual(4);
  expect((await statements(() => loadLeaf(db, 409, 'readings'))).length).toBeLessThanOrEqual(4);
});

test.each(LEAVES.map((leaf) => [leaf] as const))(
  'a colleague’s reading costs another screen on %s at most six: who asks, and the part it shows',
  async (leaf: Leaf) => {
    const given = await statements(async () => {
      await actorFor(db, 'no such session', 'no such device', new Date());
      await loadLeaf(db, 412, leaf);
    });
    expect([given.length <= 6, given.length]).toEqual([true, given.length]);
  },
);

test('a reading is saved with few', async () => {
  const job = await db.models.Job.findOne({ where: { number: 412 } });
  const person = await db.models.Person.findOne({ where: { role: 'lead' } });
  const device = await db.models.Device.findOne();
  const actor = {
    personId: person?.id ?? 0,
    deviceId: device?.id ?? 0,
    name: '',
    initials: '',
    role: 'lead' as const,
  };
  const save = async (version: number) => {
    const done = await execute(
      db,
      actor,
      'readings.save',
      {
        jobId: job?.id ?? 0,
        round: 'as-found',
        quantity: 'bridge-thickness',
        string: 0,
        fret: 0,
        typed: '9.4 mm',
        unit: 'mm',
        version,
      },
      randomUUID(),
    );
    expect(done).toMatchObject({ ok: true });
  };
  await save(0);
  expect((await statements(() => save(1))).length).toBeLessThanOrEqual(16);
});

test('every event of the demo is of a kind its command declares, or one that happens without a command', async () => {
  const rows = await db.sequelize.query<{ command: CommandName | null; kind: string }>(
    'SELECT DISTINCT c.name AS command, e.kind FROM events e LEFT JOIN commands c ON c.id = e.command_id',
    { type: QueryTypes.SELECT },
  );
  expect(rows.length).toBeGreaterThanOrEqual(20);
  const strange = rows.filter(({ command, kind }) => {
    const declared: readonly string[] = command === null ? [] : COMMANDS[command].events;
    return !declared.includes(kind) && !(OTHER_EVENTS as readonly string[]).includes(kind);
  });
  expect(strange).toEqual([]);
});

test('the shop is read again only when it changed, and then at once', async () => {
  const first = await readShop(db.models);
  expect(await readShop(db.models)).toBe(first);
  expect((await statements(() => readShop(db.models))).length).toBe(1);
  await db.models.Setting.update(
    { value: { name: 'Another', currency: '¤', taxRate: 0.1, heights: 'mm' } },
    { where: { name: 'shop' } },
  );
  const changed = await readShop(db.models);
  expect(changed).not.toBe(first);
  expect(changed.settings.find((s) => s.name === 'shop')?.value).toMatchObject({ name: 'Another' });
  // A change that is not carried through leaves nothing behind.
  const t = await db.sequelize.transaction();
  await db.models.Person.update({ role: 'desk' }, { where: { role: 'lead' }, transaction: t });
  expect((await readShop(db.models, t)).people.some((p) => p.role === 'lead')).toBe(false);
  await t.rollback();
  expect((await readShop(db.models)).people.some((p) => p.role === 'lead')).toBe(true);
  const other = openDatabase(
    (process.env['RUBRICA_TEST_SERVER'] ?? '').replace('{database}', 'rubrica_statements'),
  );
  expect(await readShop(other.models)).toEqual(await readShop(db.models));
  await other.sequelize.close();
});
