import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { whichStay } from '../../src/core/keep/kept-copies.ts';
import type { ClientPrograms } from '../../src/server/backup/client-program.ts';
import { copyTaken } from '../../src/server/backup/manifest.ts';
import { keySchema, type PassphraseKey } from '../../src/server/backup/sealed-secret.ts';
import { takeCopy, type Copy } from '../../src/server/backup/take-copy.ts';
import type { Database } from '../../src/server/db/connection.ts';
import { loadShop } from '../../src/server/house/load-shop.ts';
import { loadCopyHabits } from '../../src/server/upkeep/copy-habits.ts';
import { noteRun } from '../../src/server/upkeep/runs.ts';
import { needProgram } from './packages.ts';
import { plainTrouble } from './plain-trouble.ts';
import { home, privateFolder } from './paths.ts';
import { release } from './release.ts';
import { writeWhole } from './whole-file.ts';

/** The database's own programs, installed where they are missing. */
export const clientPrograms = (): ClientPrograms => ({
  dump: needProgram('mariadb-dump', 'mariadb-client'),
  client: needProgram('mariadb', 'mariadb-client'),
});

/** Where copies go when nothing else is said: RUBRICA_COPIES, or a folder of the house. */
export const copiesFolder = (): string => process.env['RUBRICA_COPIES'] ?? join(home(), 'copies');

const keyFile = (): string => join(privateFolder(), 'copies-key.json');

/** The key under which the secret stands in copies, or null while no passphrase is set. */
export const passphraseKey = (): PassphraseKey | null =>
  existsSync(keyFile()) ? keySchema.parse(JSON.parse(readFileSync(keyFile(), 'utf8'))) : null;

/** Keeps the key of a passphrase for the copies to come; null: the secret stands open in them again. */
export function keepPassphraseKey(key: PassphraseKey | null): void {
  if (key === null) rmSync(keyFile(), { force: true });
  else writeWhole(keyFile(), JSON.stringify(key));
}

/** A house as far as a copy of it needs it. */
export interface CopiedHouse {
  readonly url: string;
  readonly secret: string;
  readonly db: Database;
}

/** Lets go of copies of this house that need not stay; answers how many. */
async function letGo({ db, secret }: CopiedHouse, folder: string, spared?: string): Promise<number> {
  const [{ copies }, { zone }] = await Promise.all([loadCopyHabits(db), loadShop(db)]);
  const taken = new Map<number, string>();
  for (const name of readdirSync(folder)) {
    const at = copyTaken(name, secret);
    if (at !== null) taken.set(at, name);
  }
  const stay = whichStay([...taken.keys()], copies, zone);
  const gone = [...taken].filter(([at, name]) => !stay.has(at) && join(folder, name) !== spared);
  for (const [, name] of gone) rmSync(join(folder, name), { force: true });
  return gone.length;
}

/**
 * Makes a copy of the record now and lets go of those that need not stay; how it went is written down in the house, also
 * when it failed.
 */
export async function makeCopy(
  house: CopiedHouse,
  folder: string,
  progress?: (bytes: number) => void,
  /** a copy that is needed in a moment: it stays */
  spared?: string,
): Promise<Copy & { readonly gone: number }> {
  const beganAt = new Date();
  try {
    const copy = await takeCopy({
      ...house,
      programs: clientPrograms(),
      key: passphraseKey(),
      release: release(),
      folder,
      now: beganAt,
      ...(progress && { progress }),
    });
    const gone = await letGo(house, folder, spared);
    await noteRun(house.db, { kind: 'copy', beganAt, good: true, place: copy.path, bytes: copy.bytes });
    return { ...copy, gone };
  } catch (e) {
    const words = plainTrouble(e);
    // A database that is away is told of by whoever asked.
    await noteRun(house.db, { kind: 'copy', beganAt, good: false, place: folder, words }).catch(() => null);
    throw e;
  }
}
