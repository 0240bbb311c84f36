import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { z } from 'zod';
import { takeCopy } from '../../src/server/backup/take-copy.ts';
import type { Database } from '../../src/server/db/connection.ts';
import { migrate, pendingMigrations } from '../../src/server/db/migrate.ts';
import { clientPrograms, copiesFolder, passphraseKey } from './copies.ts';
import { dropAnchor } from './ledger-anchor.ts';
import { oneAtATime } from './one-at-a-time.ts';
import { privateFolder } from './paths.ts';
import type { PrivateDatabase } from './private-database.ts';
import { changePlaces, needGoodCopy, removeDatabase, withFilled } from './put-back.ts';
import { release } from './release.ts';
import { runningShop } from './running-shop.ts';
import { say, Trouble } from './say.ts';
import { writeWhole } from './whole-file.ts';

/** A house whose record may be of an older release. */
export interface OlderHouse {
  readonly db: Database;
  readonly url: string;
  readonly secret: string;
  readonly server: PrivateDatabase | null;
}

/** What stands on the disk while a record is being brought up to date: the copy of it as it was before, if it held anything. */
const begun = z.object({ copy: z.string().nullable() });
const marker = (): string => join(privateFolder(), 'upgrading.json');

async function holdsSomething({ sequelize }: Database): Promise<boolean> {
  const [table] = await sequelize.query<{ n: number }>(
    "SELECT COUNT(*) AS n FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name = 'people'",
    { type: QueryTypes.SELECT },
  );
  if (Number(table?.n) === 0) return false;
  const [people] = await sequelize.query<{ n: number }>('SELECT COUNT(*) AS n FROM people', {
    type: QueryTypes.SELECT,
  });
  return Number(people?.n) > 0;
}

async function copyBefore({ db, url, secret }: OlderHouse): Promise<string | null> {
  if (!(await holdsSomething(db))) return null;
  say('copying the record before it is brought up to date …');
  const { path } = await takeCopy({
    url,
    db,
    secret,
    programs: clientPrograms(),
    key: passphraseKey(),
    release: release(),
    folder: copiesFolder(),
    now: new Date(),
  });
  return path;
}

const stamp = (): string => new Date().toISOString().replace(/[-:]/g, '').slice(0, 15);

/** Puts the record of before an upgrade in its place again; what the upgrade left is kept beside it. */
async function goBack(copy: string | null): Promise<string> {
  dropAnchor();
  if (copy === null) {
    removeDatabase('database');
    return '';
  }
  removeDatabase('database.incoming');
  await withFilled(await needGoodCopy(copy), 'database.incoming', () => Promise.resolve());
  return changePlaces('database.incoming', `half-upgraded-${stamp()}`) ?? '';
}

/** An upgrade that was killed at any moment: the record of before it is put back, and it begins anew. */
export async function finishUpgrade(): Promise<void> {
  if (!existsSync(marker())) return;
  const { copy } = begun.parse(JSON.parse(readFileSync(marker(), 'utf8')));
  const shop = runningShop();
  if (shop && shop.pid !== process.pid)
    throw new Trouble('another command is bringing the record up to date');
  say('an upgrade was interrupted: the record of before it is put back first');
  await goBack(copy);
  rmSync(marker(), { force: true });
}

async function failed(house: OlderHouse, copy: string | null, cause: unknown): Promise<never> {
  const [why = ''] = (cause instanceof Error ? cause.message : String(cause)).split('\n');
  await house.db.sequelize.close();
  if (house.server === null || copy === null)
    throw new Trouble(
      `the record could not be brought up to date: ${why}${copy === null ? '' : `\nIt was copied before: ${copy}. To go back: empty the database, then ./rubrica restore ${copy} with the release you had before.`}`,
    );
  await house.server.stop();
  const half = await goBack(copy);
  rmSync(marker(), { force: true });
  throw new Trouble(
    `the record could not be brought up to date: ${why}\nIt is as it was before, and this release cannot open it: start the one you had before. ` +
      `A copy of it is ${copy}; what the attempt left stands in ${half}`,
  );
}

/**
 * Brings a record up to date: after a copy of it was made, so that one that fails or is killed leaves the old record.
 * @throws Trouble when it failed: the old record is in its place
 */
export async function bringUpToDate(house: OlderHouse): Promise<void> {
  if ((await pendingMigrations(house.db.sequelize)).length === 0) return;
  // A record outside may be served by other machines, which start at the same time.
  if (house.server === null) await oneAtATime(house.db.sequelize, () => upgrade(house));
  else await upgrade(house);
}

async function upgrade(house: OlderHouse): Promise<void> {
  if ((await pendingMigrations(house.db.sequelize)).length === 0) return;
  const shop = runningShop();
  if (shop && shop.pid !== process.pid)
    throw new Trouble('the shop is open in an older release: stop it first (./rubrica stop)');
  const copy = await copyBefore(house);
  if (house.server !== null) writeWhole(marker(), JSON.stringify({ copy }));
  try {
    const ran = await migrate(house.db.sequelize);
    say(`migrated: ${ran.length > 3 ? `${ran[0] ?? ''} to ${ran.at(-1) ?? ''}` : ran.join(', ')}`);
  } catch (e) {
    await failed(house, copy, e);
  }
  rmSync(marker(), { force: true });
}
