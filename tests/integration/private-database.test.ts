/** The house's own MariaDB: nothing of it is thrown away, nobody gets in without a secret, commands join what runs. */
import { existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { asRunning } from '../../cli/base/database-accounts.ts';
import { databasePlace, isReachable } from '../../cli/base/database-place.ts';
import { ensureDatabase } from '../../cli/base/databases.ts';
import { privateFolder } from '../../cli/base/paths.ts';
import { runningServer, startDatabase, type PrivateDatabase } from '../../cli/base/private-database.ts';
import { claimShop, runningShop } from '../../cli/base/running-shop.ts';
import { openDatabase } from '../../src/server/db/connection.ts';
import { runProgram, runRubrica } from './run-program.ts';
import { LONG } from '../../src/runs-for-tests.ts';

/** No earlier start left anything running. */
const nobody = (): Promise<void> => Promise.resolve();

const before = process.env['RUBRICA_HOME'];
let folder = '';
const place = () => databasePlace('database');
const credentials = () => join(folder, 'database', 'credentials.json');

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'rubrica-house-'));
  process.env['RUBRICA_HOME'] = folder;
});
afterEach(() => {
  const left = runningServer(place());
  if (left !== null) process.kill(left, 'SIGKILL');
  const { data } = place();
  rmSync(folder, { recursive: true, force: true });
  if (!data.startsWith(folder)) rmSync(join(data, '..'), { recursive: true, force: true });
  if (before === undefined) delete process.env['RUBRICA_HOME'];
  else process.env['RUBRICA_HOME'] = before;
});

/** One statement as the application's account. */
async function ask(server: PrivateDatabase, sql: string): Promise<readonly object[]> {
  const db = openDatabase(await ensureDatabase(server, 'rubrica_kept'));
  try {
    if (!/^SELECT/i.test(sql)) {
      await db.sequelize.query(sql, { type: QueryTypes.RAW });
      return [];
    }
    return await db.sequelize.query(sql, { type: QueryTypes.SELECT });
  } finally {
    await db.sequelize.close();
  }
}

/** Whether an account gets in over TCP without a password. */
async function opensWithout(server: PrivateDatabase, user: string): Promise<boolean> {
  const db = openDatabase(`mariadb://${user}@127.0.0.1:${new URL(server.url('x')).port}/information_schema`);
  try {
    await db.sequelize.query('SELECT 1', { type: QueryTypes.SELECT });
    return true;
  } catch {
    return false;
  } finally {
    await db.sequelize.close();
  }
}

/** A command of this checkout on the test's own house. */
async function rubrica(...args: string[]) {
  const done = await runRubrica(args, { env: { ...process.env, RUBRICA_HOME: folder } });
  return { status: done.status, words: done.stdout + done.stderr };
}

async function houseWithOneRow(): Promise<void> {
  const server = await startDatabase('database');
  await ask(server, 'CREATE TABLE cut (mm DECIMAL(6,3))');
  await ask(server, 'INSERT INTO cut VALUES (0.952)');
  await server.stop();
}

const SPOILED: readonly (readonly [string, () => void])[] = [
  ['missing', () => rmSync(credentials())],
  ['written in half', () => writeFileSync(credentials(), '{"port":3306,"user":"rubr')],
  ['empty', () => writeFileSync(credentials(), '')],
];

test.each(LONG ? SPOILED : SPOILED.slice(0, 1))(
  'credentials that are %s cost nothing of the record',
  async (_, spoil) => {
    await houseWithOneRow();
    spoil();
    const server = await startDatabase('database');
    expect(await ask(server, 'SELECT mm FROM cut')).toEqual([{ mm: '0.952' }]);
    await server.stop();
    expect(statSync(credentials()).mode & 0o077).toBe(0);
    expect(JSON.parse(readFileSync(credentials(), 'utf8'))).toMatchObject({ user: 'rubrica' });
  },
);

test('without credentials and while somebody uses it, nothing is done and it is said', async () => {
  const server = await startDatabase('database');
  rmSync(credentials());
  await expect(startDatabase('database')).rejects.toThrow(/credentials.json is missing while/);
  expect(runningServer(place())).toBe(server.pid);
});

test('nobody gets in without a secret, it is not the system’s root, and SQL reads no files', async () => {
  const server = await startDatabase('database');
  for (const user of ['root', 'mysql', 'mariadb.sys', ''])
    expect(await opensWithout(server, user)).toBe(false);
  const uid = Number(/^Uid:\s+(\d+)/m.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))?.[1]);
  expect(uid).not.toBe(0);
  expect(statSync(place().data).uid).toBe(uid);
  expect(existsSync(place().atStart)).toBe(false);
  await expect(ask(server, "SELECT 1 INTO OUTFILE '/tmp/rubrica-out'")).rejects.toThrow();
  const [settings] = await ask(server, 'SELECT @@local_infile AS local, @@secure_file_priv AS folder');
  expect(settings).toEqual({ local: 0, folder: `${place().files}/` });
  await server.stop();
  expect(runningServer(place())).toBeNull();
});

test('the running application reads and writes rows, and changes no table, no trigger and no account', async () => {
  const server = await startDatabase('database');
  await ask(server, 'CREATE TABLE log (words VARCHAR(40))');
  await ask(
    server,
    "CREATE TRIGGER log_no_update BEFORE UPDATE ON log FOR EACH ROW SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'append-only'",
  );
  const db = openDatabase(asRunning(server.url('rubrica_kept')));
  const tries = (sql: string): Promise<unknown> => db.sequelize.query(sql);
  try {
    await tries("INSERT INTO log VALUES ('cut')");
    await expect(tries("UPDATE log SET words = 'not cut'")).rejects.toThrow(/append-only/);
    for (const sql of [
      'DROP TRIGGER log_no_update',
      'TRUNCATE log',
      'DROP TABLE log',
      'ALTER TABLE log ADD COLUMN more INT',
      'RENAME TABLE log TO other',
      'CREATE TABLE more (a INT)',
      'CREATE TRIGGER other BEFORE INSERT ON log FOR EACH ROW SET @a = 1',
      'DROP DATABASE rubrica_kept',
      "CREATE USER 'x'@'localhost'",
      'SELECT * FROM mysql.global_priv',
      "GRANT ALL ON *.* TO 'rubricarunning'@'127.0.0.1'",
      'SET GLOBAL read_only = 1',
    ])
      await expect(tries(sql), sql).rejects.toThrow(/denied|command/i);
  } finally {
    await db.sequelize.close();
  }
  expect(await ask(server, 'SELECT words FROM log')).toEqual([{ words: 'cut' }]);
  await server.stop();
});

test('a house of an older release, open to everybody on the machine, is put right when it starts', async () => {
  await houseWithOneRow();
  const { data, account } = place();
  const sql = join(data, '..', 'open.sql');
  writeFileSync(
    sql,
    "CREATE OR REPLACE USER 'root'@'127.0.0.1' IDENTIFIED BY '';\nCREATE OR REPLACE USER ''@'localhost' IDENTIFIED BY '';\nGRANT ALL ON *.* TO 'root'@'127.0.0.1';\nCREATE DATABASE IF NOT EXISTS test;\nSHUTDOWN;\n",
    { mode: 0o644 },
  );
  const opened = await runProgram(
    '/usr/sbin/mariadbd',
    [
      '--no-defaults',
      `--datadir=${data}`,
      '--socket=s.sock',
      '--skip-networking',
      `--init-file=${sql}`,
      ...(account ? [`--user=${account.name}`] : []),
    ],
    { cwd: '/' },
  );
  expect([opened.status, opened.stderr.includes('ERROR')]).toEqual([0, false]);
  const server = await startDatabase('database');
  expect(await opensWithout(server, 'root')).toBe(false);
  expect(await ask(server, 'SELECT mm FROM cut')).toHaveLength(1);
  const [databases] = await ask(
    server,
    "SELECT COUNT(*) AS n FROM information_schema.schemata WHERE schema_name = 'test'",
  );
  expect(databases).toEqual({ n: 0 });
  await server.stop();
});

test.runIf(LONG)('commands join the database that runs, and the last one to leave ends it', async () => {
  const first = await startDatabase('database');
  const second = await startDatabase('database');
  expect(second.pid).toBe(first.pid);
  expect(await rubrica('pair')).toMatchObject({ status: 0 });
  expect((await rubrica('verify')).words).toContain('0 seals are whole');
  expect(runningServer(place())).toBe(first.pid);
  expect((await rubrica('stop')).words).toContain('ends with the other command');
  expect(runningServer(place())).toBe(first.pid);
  await first.stop();
  expect(runningServer(place())).toBeNull();
});

test.runIf(LONG)(
  'the secret is changed by a command, and a change that was cut off is done or was never begun',
  async () => {
    const secretFile = join(privateFolder(), 'secret');
    const secrets = () => readFileSync(secretFile, 'utf8').trim().split('\n');
    const next = `${secretFile}.next`;
    expect((await rubrica('verify')).status).toBe(0);
    const before = secrets();
    const changed = await rubrica('rotate-secret');
    expect([changed.status, changed.words.includes('the house has another secret')]).toEqual([0, true]);
    expect(secrets()).toEqual([expect.stringMatching(/^[0-9a-f]{64}$/), ...before]);
    // Cut off before the record knew: what was to be is forgotten.
    const after = readFileSync(secretFile, 'utf8');
    writeFileSync(next, `${'0'.repeat(64)}\n${after}`);
    const verified = await rubrica('verify');
    expect([verified.status, verified.words.includes('ledger')]).toEqual([0, false]);
    expect([existsSync(next), readFileSync(secretFile, 'utf8')]).toEqual([false, after]);
    // Cut off when the record knew already: it counts.
    writeFileSync(next, after);
    writeFileSync(secretFile, before.join('\n'));
    expect((await rubrica('verify')).status).toBe(0);
    expect([existsSync(next), readFileSync(secretFile, 'utf8').trim()]).toEqual([false, after.trim()]);
  },
);

test('a record is thrown away only when that was said, and never under an open shop', async () => {
  const server = await startDatabase('database');
  const db = openDatabase(await ensureDatabase(server, 'rubrica'));
  await db.sequelize.query('CREATE TABLE jobs (id INT)');
  await db.sequelize.query('INSERT INTO jobs VALUES (1), (2), (3)');
  const asked = await rubrica('seed', '--fresh');
  expect(asked.status).toBe(1);
  expect(asked.words).toMatch(/throws the shop's whole record away: 3 jobs.*--yes/s);
  const release = await claimShop(4399, nobody);
  expect(runningShop()).toEqual({ pid: process.pid, port: 4399 });
  expect((await rubrica('seed', '--fresh', '--yes')).words).toContain('Stop it first');
  release();
  expect(await db.sequelize.query('SELECT id FROM jobs', { type: QueryTypes.SELECT })).toHaveLength(3);
  await db.sequelize.close();
  await server.stop();
});

test('a second start says so and harms nothing', async () => {
  const release = await claimShop(4399, nobody);
  expect((await rubrica('start', '--port', '4398')).words).toContain(
    'Rubrica is open already at http://127.0.0.1:4399',
  );
  release();
  const other = createServer().listen(4395, '127.0.0.1');
  await new Promise((r) => other.once('listening', r));
  const busy = await rubrica('start', '--port', '4395');
  expect(busy.status).toBe(1);
  expect(busy.words).toContain('port 4395 is used by another program');
  expect(existsSync(join(folder, 'database'))).toBe(false);
  await new Promise((r) => other.close(r));
});

test('a folder closed to others is told from one that lets them through', () => {
  expect(isReachable('/usr/bin/env')).toBe(true);
  expect(isReachable(join(folder, 'database'))).toBe(false);
});
