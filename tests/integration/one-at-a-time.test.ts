import { QueryTypes } from 'sequelize';
import { oneAtATime } from '../../cli/base/one-at-a-time.ts';
import { bringUpToDate } from '../../cli/base/upgrade.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { pendingMigrations } from '../../src/server/db/migrate.ts';

const url = (): string =>
  (process.env['RUBRICA_TEST_SERVER'] ?? '').replace('{database}', 'rubrica_one_at_a_time');
let machines: Database[] = [];

beforeAll(async () => {
  const admin = openDatabase(
    (process.env['RUBRICA_TEST_SERVER'] ?? '').replace('{database}', 'information_schema'),
  );
  await admin.sequelize.query('DROP DATABASE IF EXISTS rubrica_one_at_a_time');
  await admin.sequelize.query(
    'CREATE DATABASE rubrica_one_at_a_time CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci',
  );
  await admin.sequelize.close();
  machines = [1, 2, 3].map(() => openDatabase(url()));
});
afterAll(() => Promise.all(machines.map((m) => m.sequelize.close())));

const tables = async (): Promise<string[]> =>
  (
    await (machines[0] as Database).sequelize.query<{ name: string }>(
      "SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = 'rubrica_one_at_a_time'",
      { type: QueryTypes.SELECT },
    )
  ).map((t) => t.name);

test('what one machine does to the record no other does at the same time, also where the first fails', async () => {
  let within = 0;
  let most = 0;
  const went = await Promise.allSettled(
    machines.map(({ sequelize }, n) =>
      oneAtATime(sequelize, async () => {
        most = Math.max(most, ++within);
        await new Promise((r) => setTimeout(r, 100));
        within -= 1;
        if (n === 0) throw new Error('it failed');
        return n;
      }),
    ),
  );
  expect(most).toBe(1);
  expect(went.map((w) => w.status)).toEqual(['rejected', 'fulfilled', 'fulfilled']);
  expect(await tables()).not.toContain('upgrading');
});

test('what was left by one that was killed is over after its time', async () => {
  const [{ sequelize } = machines[1] as Database] = machines;
  await sequelize.query(
    'CREATE TABLE upgrading (id TINYINT UNSIGNED NOT NULL PRIMARY KEY, who CHAR(36) NOT NULL, until DATETIME(3) NOT NULL)',
  );
  await sequelize.query("INSERT INTO upgrading VALUES (1, 'somebody', NOW(3) + INTERVAL 1 SECOND)");
  const began = Date.now();
  await oneAtATime(sequelize, () => Promise.resolve());
  expect(Date.now() - began).toBeGreaterThan(900);
});

test('three machines that start at once on an older record bring it up to date once', async () => {
  await Promise.all(
    machines.map((db) => bringUpToDate({ db, url: url(), secret: 'only for the tests', server: null })),
  );
  expect(await pendingMigrations((machines[0] as Database).sequelize)).toEqual([]);
  const [ran] = await (machines[0] as Database).sequelize.query<{ n: number; different: number }>(
    'SELECT COUNT(*) AS n, COUNT(DISTINCT name) AS different FROM migrations',
    { type: QueryTypes.SELECT },
  );
  expect(Number(ran?.n)).toBe(Number(ran?.different));
  expect(await tables()).not.toContain('upgrading');
});
