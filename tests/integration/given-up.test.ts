/** A change that the database gives up for another one's sake leaves nothing of itself, and is done again as a whole. */
import { randomUUID } from 'node:crypto';
import { QueryTypes, Transaction } from 'sequelize';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { intake, staffedHouse, value } from './house.ts';

let house: Awaited<ReturnType<typeof staffedHouse>>;
let other: Database;
beforeAll(async () => {
  process.env['RUBRICA_SECRET'] = 'only for the tests';
  house = await staffedHouse('given_up');
  const server = process.env['RUBRICA_TEST_SERVER'] ?? '';
  other = openDatabase(server.replace('{database}', 'rubrica_given_up'));
  // Of two that hold each other up, the one that has written less is given up.
  await other.sequelize.query('CREATE TABLE ballast (n INT)');
});
afterAll(async () => {
  await other.sequelize.close();
  await house.db.sequelize.close();
});

/** Waits until somebody writes a reading, which somebody else holds. */
async function readingWaits(): Promise<void> {
  for (;;) {
    const [row] = await other.sequelize.query<{ n: number }>(
      "SELECT COUNT(*) AS n FROM information_schema.PROCESSLIST WHERE info LIKE 'UPDATE%readings%'",
      { type: QueryTypes.SELECT },
    );
    if (Number(row?.n) > 0) return;
    await new Promise((r) => setTimeout(r, 5));
  }
}

test('a reading that is given up in the middle is in the log once, with the reading that stands', async () => {
  const { db, lead, give } = house;
  const { jobId } = value(await give(house.desk, 'desk.take-in', intake('steel-acoustic')));
  const reading = (typed: string, version: number) =>
    ({
      jobId,
      round: 'as-found',
      quantity: 'relief',
      string: 0,
      fret: 7,
      typed,
      unit: 'thou',
      version,
    }) as const;
  value(await give(lead, 'readings.save', reading('.010', 0)));
  const kept = await db.models.ReadingRow.findOne({ where: { quantity: 'relief' }, rejectOnEmpty: true });
  const before = await db.models.Job.findByPk(jobId, { rejectOnEmpty: true });

  const id = randomUUID();
  const saved = await other.sequelize.transaction(async (t) => {
    await other.sequelize.query(
      `INSERT INTO ballast VALUES ${Array.from({ length: 500 }, (_, n) => `(${n})`).join(',')}`,
      { transaction: t },
    );
    await other.models.ReadingRow.findByPk(kept.id, { transaction: t, lock: Transaction.LOCK.UPDATE });
    const saving = give(lead, 'readings.save', reading('.014', 1), id);
    await readingWaits();
    await other.models.Job.findByPk(jobId, { transaction: t, lock: Transaction.LOCK.UPDATE });
    return { saving };
  });
  expect(await saved.saving).toMatchObject({ ok: true, value: { version: 2 } });

  const log = await db.models.EventRow.findAll({ where: { commandId: id } });
  expect(log.map((e) => e.kind)).toEqual(['reading taken']);
  expect(await db.models.CommandRow.count({ where: { id } })).toBe(1);
  const after = await db.models.Job.findByPk(jobId, { rejectOnEmpty: true });
  expect(after.changes).toBe(before.changes + 1);
  expect(await db.models.ReadingRow.findByPk(kept.id)).toMatchObject({ typed: '.014', version: 2 });
});
