import { mkdtempSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { openDatabase } from '../../src/server/db/connection.ts';
import { migrate } from '../../src/server/db/migrate.ts';
import { keyOf } from '../../src/server/backup/sealed-secret.ts';
import { verifySeals } from '../../src/server/hand-over/verify-seals.ts';
import { askLine } from '../base/ask.ts';
import { copiesFolder, keepPassphraseKey, makeCopy } from '../base/copies.ts';
import { openHouse } from '../base/house.ts';
import type { Options } from '../base/options.ts';
import { home, privateFolder } from '../base/paths.ts';
import { needGoodCopy, removeDatabase, secretOf, withFilled } from '../base/put-back.ts';
import { megabytes, say, Trouble } from '../base/say.ts';

const SHOWN_EVERY = 32 * 1024 * 1024;
const SHORTEST_PASSPHRASE = 8;

/** Shows how far a copy is, at a terminal or in a log, now and then. */
function shownProgress(): (bytes: number) => void {
  let next = SHOWN_EVERY;
  return (bytes) => {
    if (bytes < next) return;
    say(`${megabytes(bytes)} written …`);
    next = bytes + SHOWN_EVERY;
  };
}

async function take(folder: string): Promise<number> {
  const house = await openHouse('leave');
  try {
    const copy = await makeCopy(house, folder, shownProgress());
    const rows = Object.values(copy.manifest.tables).reduce((sum, n) => sum + n, 0);
    say(`copied: ${copy.path} (${megabytes(copy.bytes)}, ${rows} rows)`);
    if (copy.gone > 0) say(`${copy.gone} older ${copy.gone === 1 ? 'copy was' : 'copies were'} let go`);
    return 0;
  } finally {
    await house.close();
  }
}

/** Restores a copy where nobody sees it, counts, and holds every sealed record against its seal. */
async function check(file: string): Promise<number> {
  const copy = await needGoodCopy(file);
  const secret = await secretOf(copy);
  privateFolder();
  const own = process.env['RUBRICA_HOME'];
  const throwaway = mkdtempSync(join(home(), 'check-'));
  process.env['RUBRICA_HOME'] = throwaway;
  process.env['RUBRICA_SECRET'] = secret;
  try {
    const seals = await withFilled(copy, 'database', async (url) => {
      const db = openDatabase(url);
      try {
        await migrate(db.sequelize);
        return await verifySeals(db);
      } finally {
        await db.sequelize.close();
      }
    });
    const tables = Object.values(copy.manifest.tables);
    say(
      `whole: ${copy.manifest.shop || 'a shop'}, ${copy.manifest.taken}, release ${copy.manifest.release}: ` +
        `${tables.reduce((sum, n) => sum + n, 0)} rows of ${tables.length} tables came back; ` +
        `${seals.whole} seals are whole, ${seals.broken.length} broken`,
    );
    for (const b of seals.broken) say(`broken  job ${b.job}: ${b.changed.join(', ')}`);
    for (const words of seals.ledger) say(`ledger  ${words}`);
    return seals.broken.length + seals.ledger.length === 0 ? 0 : 1;
  } finally {
    removeDatabase('database');
    rmSync(throwaway, { recursive: true, force: true });
    if (own === undefined) delete process.env['RUBRICA_HOME'];
    else process.env['RUBRICA_HOME'] = own;
  }
}

async function seal(): Promise<number> {
  const passphrase = await askLine('A passphrase for the copies to come: ');
  if (passphrase.length < SHORTEST_PASSPHRASE)
    throw new Trouble(`a passphrase has at least ${SHORTEST_PASSPHRASE} characters`);
  keepPassphraseKey(await keyOf(passphrase));
  say('copies from now on hold the secret under this passphrase. Without it none of them can be put back.');
  return 0;
}

/** Makes a copy of the record, or says whether one is whole; sets the passphrase of copies to come. */
export function run(o: Options): Promise<number> {
  const [folder] = o.rest;
  if (o.check !== undefined) return check(resolve(o.check));
  if (o.seal) return seal();
  if (o.unseal) {
    keepPassphraseKey(null);
    say('copies from now on hold the secret open: keep them as you keep the keys of the house');
    return Promise.resolve(0);
  }
  return take(folder === undefined ? copiesFolder() : resolve(folder));
}
