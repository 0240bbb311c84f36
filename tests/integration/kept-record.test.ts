/** Copies of the record: whole or refused, put back to the last row; records of earlier releases are brought up to date. */
import {
  createReadStream,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { clientPrograms } from '../../cli/base/copies.ts';
import { release } from '../../cli/base/release.ts';
import { copyTaken } from '../../src/server/backup/manifest.ts';
import { openCopy, pourRecord, putBack } from '../../src/server/backup/read-copy.ts';
import { keyOf, readSecret } from '../../src/server/backup/sealed-secret.ts';
import { takeCopy } from '../../src/server/backup/take-copy.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { migrate, MIGRATION_NAMES } from '../../src/server/db/migrate.ts';
import { verifySeals } from '../../src/server/hand-over/verify-seals.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { pinMatches } from '../../src/server/people/pin.ts';
import { DEMO_PEOPLE } from '../../src/demo/people.ts';
import { begunHouse, demoHouse } from './house.ts';
import { LONG } from '../../src/runs-for-tests.ts';

const SECRET = 'a secret of this house alone';
const RECORDS = join(process.cwd(), 'tests/fixtures/records');
const urlOf = (name: string): string =>
  (process.env['RUBRICA_TEST_SERVER'] ?? '').replace('{database}', `rubrica_${name}`);

let folder = '';
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'rubrica-copies-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** A database with nothing in it. */
async function bare(name: string): Promise<Database> {
  const admin = openDatabase(urlOf('x').replace('rubrica_x', 'information_schema'));
  await admin.sequelize.query(`DROP DATABASE IF EXISTS rubrica_${name}`);
  await admin.sequelize.query(
    `CREATE DATABASE rubrica_${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
  );
  await admin.sequelize.close();
  return openDatabase(urlOf(name));
}

const tablesOf = async ({ sequelize }: Database): Promise<string[]> =>
  (
    await sequelize.query<{ name: string }>(
      'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE() ORDER BY table_name',
      { type: QueryTypes.SELECT },
    )
  ).map((t) => t.name);

/** A checksum of every table's rows. */
async function checksums(db: Database): Promise<Record<string, unknown>> {
  const tables = await tablesOf(db);
  const rows = await db.sequelize.query<{ Table: string; Checksum: unknown }>(
    `CHECKSUM TABLE ${tables.map((t) => `\`${t}\``).join(', ')} EXTENDED`,
    { type: QueryTypes.SELECT },
  );
  return Object.fromEntries(rows.map((r) => [r.Table.replace(/^.*\./, ''), r.Checksum]));
}

const triggers = ({ sequelize }: Database) =>
  sequelize.query<{ name: string }>(
    'SELECT trigger_name AS name FROM information_schema.triggers WHERE trigger_schema = DATABASE() ORDER BY 1',
    { type: QueryTypes.SELECT },
  );

const copyOf = (db: Database, name: string, key: Awaited<ReturnType<typeof keyOf>> | null = null) =>
  takeCopy({
    url: urlOf(name),
    db,
    programs: clientPrograms(),
    secret: SECRET,
    key,
    release: release(),
    folder,
    now: new Date(),
  });

describe('a copy of the demo shop', () => {
  let db: Database;
  let path = '';
  beforeAll(async () => {
    db = await demoHouse('copied');
    // Pictures are bytes of every kind, and words hold what a dump writes with care.
    await db.sequelize.query(
      "INSERT INTO shop_files (name, bytes, digest, width, height) VALUES ('logo', ?, '', 1, 1)",
      {
        replacements: [Buffer.from(Array.from({ length: 4096 }, (_, i) => (i * 7) % 256))],
      },
    );
    await db.models.Customer.update({ notes: '(1)\n(2)\r\n`x`;\'"\\ DEFINER=`a`@`b` 🎸' } as never, {
      where: { id: 1 },
    });
    path = (await copyOf(db, 'copied')).path;
  });
  afterAll(() => db.sequelize.close());

  test('put back, every row and trigger is what it was, and every seal holds', async () => {
    const { manifest, secret } = await openCopy(path);
    expect(await readSecret(secret, null)).toEqual({ secret: SECRET });
    expect(manifest).toMatchObject({
      shop: 'Quillmere Fretworks',
      migrations: MIGRATION_NAMES,
      release: release(),
    });
    const back = await bare('put_back');
    await putBack(path, urlOf('put_back'), clientPrograms());
    expect(await checksums(back)).toEqual(await checksums(db));
    expect(await triggers(back)).toEqual(await triggers(db));
    expect(Object.keys(manifest.tables).sort()).toEqual((await tablesOf(db)).sort());
    for (const [table, rows] of Object.entries(manifest.tables)) {
      const [{ n } = { n: -1 }] = await back.sequelize.query<{ n: number }>(
        `SELECT COUNT(*) AS n FROM \`${table}\``,
        {
          type: QueryTypes.SELECT,
        },
      );
      expect([table, Number(n)]).toEqual([table, rows]);
    }
    const seals = await verifySeals(back);
    expect(seals.broken).toEqual([]);
    expect(seals.whole).toBeGreaterThan(0);
    await expect(back.sequelize.query('UPDATE events SET kind = "x" WHERE id = 1')).rejects.toThrow();
    await back.sequelize.close();
  });

  test('one bit anywhere, an end cut off or added: it is refused', async () => {
    const whole = readFileSync(path);
    const damaged = join(folder, 'damaged.tar');
    const places = [0, 157, 400, 511, 513, whole.length - 1, whole.length - 1024, whole.length - 1500];
    const anywhere = Array.from({ length: 24 }, (_, i) => Math.floor(((i + 0.5) / 24) * whole.length));
    for (const at of [...places, ...anywhere]) {
      const bytes = Buffer.from(whole);
      bytes[at] = (bytes[at] ?? 0) ^ (1 << (at % 8));
      writeFileSync(damaged, bytes);
      await expect(openCopy(damaged)).rejects.toThrow('changed or cut');
    }
    for (const bytes of [
      whole.subarray(0, -1),
      whole.subarray(0, whole.length / 2),
      Buffer.concat([whole, Buffer.alloc(512)]),
      Buffer.alloc(0),
      Buffer.from('no copy at all'),
    ]) {
      writeFileSync(damaged, bytes);
      await expect(openCopy(damaged)).rejects.toThrow('changed or cut');
    }
    writeFileSync(damaged, whole);
    await expect(openCopy(damaged)).resolves.toMatchObject({ manifest: { form: 'rubrica-copy' } });
  });

  test('a tar of the field opens it, and only its owner may read it', () => {
    expect(statSync(path).mode & 0o777).toBe(0o600);
    expect(readdirSync(folder).filter((f) => /\.(begun|dump)$/.test(f))).toEqual([]);
    const name = path.slice(folder.length + 1);
    expect(Math.abs((copyTaken(name, SECRET) ?? 0) - Date.now())).toBeLessThan(600_000);
    expect(copyTaken(name, 'another house')).toBeNull();
  });

  test('under a passphrase the secret is read by it alone', async () => {
    const { path: sealed } = await copyOf(db, 'copied', await keyOf('grüne Leiter 7'));
    const { secret } = await openCopy(sealed);
    expect(readFileSync(sealed).includes(SECRET)).toBe(false);
    expect(await readSecret(secret, null)).toBe('no passphrase');
    expect(await readSecret(secret, 'gruene Leiter 7')).toBe('wrong passphrase');
    // Typed on another keyboard: the same letters in their other writing.
    expect(await readSecret(secret, 'grüne Leiter 7'.normalize('NFD'))).toEqual({ secret: SECRET });
  });

  test('a folder that cannot be written: the reason, and nothing half done', async () => {
    const blocked = join(folder, 'a-file');
    writeFileSync(blocked, '');
    await expect(
      takeCopy({
        url: urlOf('copied'),
        db,
        programs: clientPrograms(),
        secret: SECRET,
        key: null,
        release: release(),
        folder: join(blocked, 'copies'),
        now: new Date(),
      }),
    ).rejects.toThrow(/ENOTDIR|EEXIST/);
    await expect(putBack(path, urlOf('copied_not_there'), clientPrograms())).rejects.toThrow(
      /Unknown database|denied/,
    );
  });
});

describe('a record of an earlier release', () => {
  test('this release left its own for the next', () => {
    expect(readdirSync(RECORDS)).toContain(`${release()}.sql.gz`);
  });

  // The oldest has the longest way; those since by `--long`.
  const records = readdirSync(RECORDS).toSorted();
  test.each(LONG ? records : records.slice(0, 1))(
    '%s is brought up to date, with every seal, PIN and job',
    async (file) => {
      const old = await bare('earlier');
      await pourRecord(createReadStream(join(RECORDS, file)), urlOf('earlier'), clientPrograms());
      await migrate(old.sequelize);
      const fresh = await begunHouse('fresh_form');
      expect(await formOf(old)).toEqual(await formOf(fresh));
      await fresh.sequelize.close();
      expect(await verifySeals(old)).toEqual({ whole: 2, broken: [], ledger: [] });
      const jobs = await old.models.Job.findAll();
      expect(jobs.length).toBeGreaterThanOrEqual(15);
      for (const { number } of jobs) expect(await loadJob(old, number)).not.toBeNull();
      const owner = await old.models.Person.findOne({ where: { role: 'owner' } });
      const pin = DEMO_PEOPLE.find((p) => p.role === 'owner')?.pin ?? '';
      expect(await pinMatches(pin, owner?.pinHash ?? '')).toBe(true);
      await old.sequelize.close();
    },
  );
});

/** Every column, index and foreign key: how a record is kept, whichever way it came there. */
async function formOf({ sequelize }: Database): Promise<unknown> {
  const ask = (sql: string) => sequelize.query(sql, { type: QueryTypes.SELECT });
  return {
    columns: await ask(
      `SELECT table_name, column_name, column_type, is_nullable, column_default FROM information_schema.columns
       WHERE table_schema = DATABASE() ORDER BY table_name, column_name`,
    ),
    indexes: await ask(
      `SELECT table_name, index_name, non_unique, seq_in_index, column_name FROM information_schema.statistics
       WHERE table_schema = DATABASE() ORDER BY 1, 2, 4`,
    ),
    keys: await ask(
      `SELECT table_name, constraint_name, referenced_table_name FROM information_schema.referential_constraints
       WHERE constraint_schema = DATABASE() ORDER BY 1, 2`,
    ),
  };
}
