/** A house of an earlier release, opened by this one: copied first, and left as it was when something goes wrong. */
import { createReadStream, existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { clientPrograms } from '../../cli/base/copies.ts';
import { DATABASE, ensureDatabase } from '../../cli/base/databases.ts';
import { openHouse } from '../../cli/base/house.ts';
import { databasePlace } from '../../cli/base/database-place.ts';
import { runningServer, startDatabase } from '../../cli/base/private-database.ts';
import { keepSecret } from '../../cli/base/secret.ts';
import { openCopy, pourRecord } from '../../src/server/backup/read-copy.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { MIGRATION_NAMES } from '../../src/server/db/migrate.ts';
import { verifySeals } from '../../src/server/hand-over/verify-seals.ts';
import { LONG } from '../../src/runs-for-tests.ts';

const OLD = join(process.cwd(), 'tests/fixtures/records/0.1.0-first.sql.gz');
const SECRET = 'only for the tests';
const before = process.env['RUBRICA_HOME'];
let folder = '';

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'rubrica-upgrade-'));
  process.env['RUBRICA_HOME'] = folder;
  keepSecret(SECRET);
  vi.spyOn(process.stderr, 'write').mockReturnValue(true);
  await inOldHouse(async (url) => pourRecord(createReadStream(OLD), url, clientPrograms()));
});
afterEach(() => {
  vi.restoreAllMocks();
  for (const name of readdirSync(folder).filter((f) => f.startsWith('database'))) {
    const left = runningServer(databasePlace(name));
    if (left !== null) process.kill(left, 'SIGKILL');
  }
  rmSync(folder, { recursive: true, force: true });
  if (before === undefined) delete process.env['RUBRICA_HOME'];
  else process.env['RUBRICA_HOME'] = before;
});

/** Does something in the house's database as it is, without bringing it up to date. */
async function inOldHouse<T>(does: (url: string, db: Database) => Promise<T>): Promise<T> {
  const server = await startDatabase('database');
  const url = await ensureDatabase(server, DATABASE);
  const db = openDatabase(url);
  try {
    return await does(url, db);
  } finally {
    await db.sequelize.close();
    await server.stop();
  }
}

const ran = ({ sequelize }: Database) =>
  sequelize
    .query<{ name: string }>('SELECT name FROM migrations ORDER BY name', { type: QueryTypes.SELECT })
    .then((all) => all.map((m) => m.name));
const copies = (): readonly string[] =>
  existsSync(join(folder, 'copies')) ? readdirSync(join(folder, 'copies')) : [];

async function isUpToDate(): Promise<void> {
  const house = await openHouse('leave');
  try {
    expect(await ran(house.db)).toEqual(MIGRATION_NAMES);
    expect(await verifySeals(house.db)).toEqual({ whole: 2, broken: [], ledger: [] });
    expect(await house.db.models.Job.count()).toBe(15);
  } finally {
    await house.close();
  }
}

test('it is copied as it was, then brought up to date', async () => {
  await isUpToDate();
  const [name = ''] = copies();
  const { manifest } = await openCopy(join(folder, 'copies', name));
  expect(manifest.migrations).toHaveLength(3);
  expect(manifest.tables['jobs']).toBe(15);
  expect(copies()).toHaveLength(1);
  expect(existsSync(join(folder, 'upgrading.json'))).toBe(false);
  // Opened again there is nothing to do, and no copy is made.
  await isUpToDate();
  expect(copies()).toHaveLength(1);
});

test.runIf(LONG)(
  'a step that fails half-way: the old record is in its place, and it is said how to go on',
  async () => {
    // The last step finds its table there already.
    await inOldHouse(async (_, { sequelize }) => sequelize.query('CREATE TABLE upkeep_runs (id INT)'));
    await expect(openHouse('leave')).rejects.toThrow(
      /could not be brought up to date: .*\nIt is as it was before[^]*start the one you had before[^]*half-upgraded/,
    );
    await inOldHouse(async (_, db) => {
      expect(await ran(db)).toHaveLength(3);
      const [{ n } = { n: 0 }] = await db.sequelize.query<{ n: number }>('SELECT COUNT(*) AS n FROM jobs', {
        type: QueryTypes.SELECT,
      });
      expect(Number(n)).toBe(15);
    });
    expect(existsSync(join(folder, 'upgrading.json'))).toBe(false);
    expect(readdirSync(folder).filter((f) => f.includes('half-upgraded'))).toHaveLength(1);
  },
);

test.runIf(LONG)(
  'killed in the middle of a step: opened again, it begins anew from the record of before',
  async () => {
    await isUpToDate();
    const copy = join(folder, 'copies', copies()[0] ?? '');
    // As a kill leaves it: some steps done, one of them half, and the note that an upgrade was begun.
    await inOldHouse(async (_, { sequelize }) => {
      await sequelize.query("DELETE FROM migrations WHERE name >= '024'");
      await sequelize.query('DROP TABLE shop_files');
    });
    writeFileSync(join(folder, 'upgrading.json'), JSON.stringify({ copy }));
    await isUpToDate();
    expect(existsSync(join(folder, 'upgrading.json'))).toBe(false);
  },
);
