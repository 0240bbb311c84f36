import { existsSync, mkdirSync, realpathSync, renameSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { DamagedCopy, openCopy, putBack, type CopyHead } from '../../src/server/backup/read-copy.ts';
import type { Manifest } from '../../src/server/backup/manifest.ts';
import { readSecret } from '../../src/server/backup/sealed-secret.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { MIGRATION_NAMES } from '../../src/server/db/migrate.ts';
import { askLine } from './ask.ts';
import { clientPrograms } from './copies.ts';
import { DATABASE, ensureDatabase } from './databases.ts';
import { home } from './paths.ts';
import { startDatabase, type PrivateDatabase } from './private-database.ts';
import { Trouble } from './say.ts';

/** A copy that was checked and may be put back here. */
export interface GoodCopy extends CopyHead {
  readonly path: string;
}

/**
 * Checks a copy before anything is touched.
 * @throws Trouble when it is damaged, no copy at all, or made by a later release
 */
export async function needGoodCopy(path: string): Promise<GoodCopy> {
  if (!existsSync(path) || !statSync(path).isFile()) throw new Trouble(`there is no file ${path}`);
  const head = await openCopy(path).catch((e: unknown) => {
    throw e instanceof DamagedCopy ? new Trouble(`${e.message} Nothing was changed.`) : e;
  });
  const unknown = head.manifest.migrations.filter((m) => !MIGRATION_NAMES.includes(m));
  if (unknown.length > 0)
    throw new Trouble(
      `${path} was made by a later release (${head.manifest.release}) than this one: update first. Nothing was changed.`,
    );
  return { ...head, path };
}

/** The house's secret out of a copy; asks for the passphrase where it is sealed. */
export async function secretOf(copy: GoodCopy): Promise<string> {
  const without = await readSecret(copy.secret, null);
  if (typeof without === 'object') return without.secret;
  const given = process.env['RUBRICA_PASSPHRASE'] ?? (await askLine('The passphrase of this copy: '));
  const found = await readSecret(copy.secret, given);
  if (typeof found === 'object') return found.secret;
  throw new Trouble(
    found === 'no passphrase'
      ? 'the secret in this copy is sealed: its passphrase is needed, in RUBRICA_PASSPHRASE or as the first line of standard input. Nothing was changed.'
      : 'this is not the passphrase of this copy. Nothing was changed.',
  );
}

/** Tables whose rows are not as many as the copy says. */
export async function countsThatDiffer({ sequelize }: Database, { tables }: Manifest): Promise<string[]> {
  const differ: string[] = [];
  for (const [table, rows] of Object.entries(tables)) {
    const [found] = await sequelize.query<{ n: number }>(`SELECT COUNT(*) AS n FROM \`${table}\``, {
      type: QueryTypes.SELECT,
    });
    if (Number(found?.n) !== rows) differ.push(`${table}: ${found?.n ?? 0} instead of ${rows}`);
  }
  return differ;
}

/** Writes a copy's record into a fresh database and compares what came with what it must hold. */
export async function fillFrom(copy: GoodCopy, url: string): Promise<void> {
  await putBack(copy.path, url, clientPrograms());
  const db = openDatabase(url);
  try {
    const differ = await countsThatDiffer(db, copy.manifest);
    if (differ.length > 0) throw new Trouble(`not everything came back: ${differ.join(', ')}`);
  } finally {
    await db.sequelize.close();
  }
}

/** Throws away the files of a private database that is not running. */
export function removeDatabase(name: string): void {
  const folder = join(home(), name);
  const data = join(folder, 'data');
  // Root's data may stand elsewhere, linked from here.
  if (existsSync(data) && realpathSync(data) !== realpathSync(folder) + '/data')
    rmSync(dirname(realpathSync(data)), { recursive: true, force: true });
  rmSync(folder, { recursive: true, force: true });
}

/** Starts a private database of its own, fills it from a copy, and does something with it; it is stopped afterwards. */
export async function withFilled<T>(
  copy: GoodCopy,
  name: string,
  does: (url: string, server: PrivateDatabase) => Promise<T>,
): Promise<T> {
  const server = await startDatabase(name);
  try {
    const url = await ensureDatabase(server, DATABASE);
    await fillFrom(copy, url);
    return await does(url, server);
  } finally {
    await server.stop();
  }
}

/** Puts a filled database in the place of the house's own, which is kept beside it; answers where, or null where none was. */
export function changePlaces(incoming: string, suffix: string): string | null {
  const own = join(home(), 'database');
  const before = existsSync(own) ? `${own}.${suffix}` : null;
  if (before) renameSync(own, before);
  renameSync(join(home(), incoming), own);
  return before;
}

/** Makes a home of its own for a copy, and makes it this process's. */
export function besideHome(copy: GoodCopy): string {
  const folder = join(home(), 'beside', basename(copy.path).replace(/\.tar$/, ''));
  if (existsSync(folder))
    throw new Trouble(`${folder} is there already: look at it with RUBRICA_HOME=${folder} ./rubrica start`);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  process.env['RUBRICA_HOME'] = folder;
  return folder;
}
