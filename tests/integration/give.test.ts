/** Statements that go straight to the driver say and do what the same through Sequelize does. */
import {
  DatabaseError,
  QueryTypes,
  UniqueConstraintError,
  type Model,
  type ModelStatic,
  type Transaction,
} from 'sequelize';
import type { Database } from '../../src/server/db/connection.ts';
import { give, type Value } from '../../src/server/db/give.ts';
import { updateRow } from '../../src/server/db/update-row.ts';
import { statementsOf } from '../../cli/bench/bare-statements.ts';
import { demoHouse } from './house.ts';

let db: Database;
beforeAll(async () => {
  process.env['RUBRICA_SECRET'] = 'only for the tests';
  db = await demoHouse('give');
});
afterAll(() => db.sequelize.close());

const AT = new Date('2026-03-29T01:59:59.007Z');
const VALUES: Readonly<Record<string, Value>> = {
  text: `O'Neil "½" \\ ?:text 😀`,
  whole: 9_007_199_254_740_991,
  part: -0.1,
  yes: true,
  no: false,
  at: AT,
  none: null,
};

test.each(Object.keys(VALUES))('%s comes back as it does through Sequelize', async (name) => {
  const sql = `SELECT :${name} AS it`;
  const [through] = await db.sequelize.query<{ readonly it: unknown }>(sql, {
    type: QueryTypes.SELECT,
    replacements: { ...VALUES },
  });
  const [straight] = await give<readonly { readonly it: unknown }[]>(db.sequelize, sql, VALUES);
  // A fraction comes back as a number or as its digits.
  expect(String(straight?.it)).toBe(String(through?.it));
});

test('rows of every table are the same both ways', async () => {
  const tables = await db.sequelize.query<{ name: string }>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
    { type: QueryTypes.SELECT },
  );
  expect(tables.length).toBeGreaterThan(50);
  for (const { name } of tables) {
    const sql = `SELECT * FROM \`${name}\` LIMIT 40`;
    expect([name, await give(db.sequelize, sql, {})]).toEqual([
      name,
      await db.sequelize.query(sql, { type: QueryTypes.SELECT }),
    ]);
  }
});

test('a moment is found by the column that keeps it, and a list by each of its own', async () => {
  const [first] = await db.models.Job.findAll({ order: ['id'], limit: 1 });
  const count = async (where: string, values: Readonly<Record<string, Value>>): Promise<number> => {
    const [row] = await give<readonly { readonly n: number }[]>(
      db.sequelize,
      `SELECT COUNT(*) AS n FROM jobs WHERE ${where}`,
      values,
    );
    return Number(row?.n);
  };
  const [{ at } = { at: AT }] = await db.sequelize.query<{ at: Date }>('SELECT MIN(at) AS at FROM events', {
    type: QueryTypes.SELECT,
  });
  const [seen] = await give<readonly { readonly n: number }[]>(
    db.sequelize,
    'SELECT COUNT(*) AS n FROM events WHERE at = :at',
    { at: new Date(at) },
  );
  expect(Number(seen?.n)).toBeGreaterThan(0);
  const ids = (await db.models.Job.findAll({ attributes: ['id'] })).map((j) => j.id);
  expect(await count('id IN (:ids)', { ids })).toBe(ids.length);
  expect(await count('id IN (:ids)', { ids: ids.slice(0, 2) })).toBe(2);
  expect(await count('id IN (:ids)', { ids: [] })).toBe(0);
  expect(await count('id = :id', { id: first?.id ?? 0 })).toBe(1);
});

test('what is wrong is said as Sequelize says it', async () => {
  const insert = `INSERT INTO commands (id, name, person_id, answer, at) SELECT id, name, person_id, answer, at FROM commands LIMIT 1`;
  await expect(give(db.sequelize, insert, {})).rejects.toBeInstanceOf(UniqueConstraintError);
  const error = await give(db.sequelize, 'SELECT no_such_column FROM jobs', {}).catch((e: unknown) => e);
  expect(error).toBeInstanceOf(DatabaseError);
  expect((error as DatabaseError).parent).toMatchObject({ code: 'ER_BAD_FIELD_ERROR' });
  const ended = await db.sequelize.transaction((t) => Promise.resolve(t));
  await expect(give(db.sequelize, 'SELECT 1', {}, ended)).rejects.toThrow('this transaction has ended');
});

test('it belongs to its transaction, and is undone with it', async () => {
  const name = async (): Promise<string> => (await db.models.Place.findOne({ order: ['id'] }))?.name ?? '';
  const before = await name();
  const undone = db.sequelize.transaction(async (t) => {
    await give(db.sequelize, 'UPDATE places SET name = :name ORDER BY id LIMIT 1', { name: 'elsewhere' }, t);
    throw new Error('undo');
  });
  await expect(undone).rejects.toThrow('undo');
  expect(await name()).toBe(before);
});

test('what was given is counted with its values in their places', async () => {
  const given = await statementsOf(db, () =>
    give(db.sequelize, 'SELECT :word AS word, :at AS at', { word: `a ' b`, at: AT }),
  );
  expect(given).toEqual([`SELECT 'a \\' b' AS word, '2026-03-29 01:59:59.007' AS at`]);
});

test('a row is changed as by Sequelize: what differs alone, JSON and moments as their columns keep them', async () => {
  const write = async (
    row: Model,
    changes: Readonly<Record<string, unknown>>,
  ): Promise<readonly string[]> => {
    const given = await statementsOf(db, () => db.sequelize.transaction((t) => updateRow(row, changes, t)));
    return given.filter((sql) => sql.startsWith('UPDATE'));
  };
  const job = await db.models.Job.findOne({ where: { number: 412 } });
  const reading = await db.models.ReadingRow.findOne({ where: { quantity: 'relief' } });
  const instrument = await db.models.Instrument.findByPk(job?.instrumentId ?? 0);
  if (!job || !reading || !instrument) throw new Error('the demo has no such rows');
  const cases = [
    [job, { complaint: `it buzzes – "½" :job ?`, touch: job.touch }],
    [reading, { takenAt: AT, typed: '.012', soundId: null, version: reading.version + 1 }],
    [instrument, { construction: { ...instrument.construction, scaleMm: 640.125 }, model: 'Another' }],
  ] as const;
  for (const [row, changes] of cases) {
    const given = await write(row, changes);
    expect(given).toHaveLength(1);
    expect(given[0]).not.toContain('`touch`');
    expect(row.changed()).toBe(false);
    const again = await (row.constructor as ModelStatic<Model>).findByPk(row.id);
    expect(again?.get()).toEqual(row.get());
    expect(again).toMatchObject(changes);
    const { construction: _json, ...plain } = changes as Readonly<Record<string, unknown>>;
    expect(await write(row, plain)).toEqual([]);
  }
});

test('what a transaction writes goes out one after the other; what it only reads may be asked at once', async () => {
  const name = 'SELECT name FROM places ORDER BY id LIMIT 1';
  const write = (t: Transaction, sort: number): Promise<unknown> =>
    give(db.sequelize, 'UPDATE places SET sort = :sort', { sort }, t);
  await db.sequelize.transaction(async (t) => {
    const read = () => give(db.sequelize, name, {}, t);
    const [a, b] = await Promise.all([read(), read()]);
    expect(a).toEqual(b);
  });
  const atOnce = db.sequelize.transaction((t) => Promise.all([write(t, 1), write(t, 2)]));
  await expect(atOnce).rejects.toThrow('a transaction writes one after the other');
});
