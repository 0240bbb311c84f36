import { existsSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { openDatabase } from '../../src/server/db/connection.ts';
import { migrate } from '../../src/server/db/migrate.ts';
import { copiesFolder, makeCopy } from '../base/copies.ts';
import { jobsAtStake } from '../base/databases.ts';
import { openHouse } from '../base/house.ts';
import type { Options } from '../base/options.ts';
import { dropAnchor } from '../base/ledger-anchor.ts';
import { LOOK_ONLY } from '../base/look-only.ts';
import { home, privateFolder } from '../base/paths.ts';
import {
  besideHome,
  changePlaces,
  fillFrom,
  needGoodCopy,
  removeDatabase,
  secretOf,
  withFilled,
  type GoodCopy,
} from '../base/put-back.ts';
import { startDatabase } from '../base/private-database.ts';
import { runningShop } from '../base/running-shop.ts';
import { megabytes, say, Trouble } from '../base/say.ts';
import { houseSecret, keepSecret } from '../base/secret.ts';
import { sureToLose } from '../base/sure.ts';

const told = ({ manifest }: GoodCopy): string =>
  `${manifest.shop || 'a shop'} as it was at ${manifest.taken}, release ${manifest.release}`;

async function bringUpToDate(url: string): Promise<void> {
  const db = openDatabase(url);
  try {
    const ran = await migrate(db.sequelize);
    if (ran.length > 0) say(`migrated: ${ran.join(', ')}`);
  } finally {
    await db.sequelize.close();
  }
}

/** Beside the present house, to look at: it has a home of its own, sends nothing and changes nothing. */
async function beside(copy: GoodCopy, secret: string): Promise<number> {
  const folder = besideHome(copy);
  try {
    await withFilled(copy, 'database', bringUpToDate);
    keepSecret(secret);
    writeFileSync(
      join(folder, LOOK_ONLY),
      JSON.stringify({ taken: copy.manifest.taken, shop: copy.manifest.shop }),
      { mode: 0o600 },
    );
  } catch (e) {
    removeDatabase('database');
    rmSync(folder, { recursive: true, force: true });
    throw e;
  }
  say(`${told(copy)} stands beside your own. Look at it: RUBRICA_HOME=${folder} ./rubrica start --port 4371`);
  say(`It sends nothing and changes nothing; when you have seen enough, delete ${folder}`);
  return 0;
}

/** The present record, as a copy, before another takes its place. */
async function copyPresent(spared: string): Promise<void> {
  const house = await openHouse('leave');
  try {
    const copy = await makeCopy(house, copiesFolder(), undefined, spared);
    say(`the present record was copied first: ${copy.path} (${megabytes(copy.bytes)})`);
  } finally {
    await house.close();
  }
}

async function ownJobs(): Promise<number | null> {
  if (!existsSync(join(home(), 'database'))) return null;
  const server = await startDatabase('database');
  try {
    return await jobsAtStake(server);
  } finally {
    await server.stop();
  }
}

/** Into the house itself: an empty one, or in the place of the present record, which is kept. */
async function inPlace(copy: GoodCopy, secret: string, o: Options): Promise<number> {
  const jobs = await ownJobs();
  if (jobs !== null && !o.replace)
    throw new Trouble(
      `this house holds a record of its own (${jobs} jobs). To look at the copy beside it: ./rubrica restore FILE --beside. To put it in its place: --replace. Nothing was changed.`,
    );
  if (jobs !== null) {
    if (
      !(await sureToLose(
        `This puts ${told(copy)} in the place of the present record: ${jobs} jobs.`,
        jobs,
        o.yes,
        './rubrica restore FILE --replace --yes',
      ))
    )
      return 1;
    await copyPresent(copy.path);
  }
  const stamp = new Date().toISOString().replace(/[-:]/g, '').slice(0, 15);
  removeDatabase('database.incoming');
  try {
    await withFilled(copy, 'database.incoming', bringUpToDate);
  } catch (e) {
    removeDatabase('database.incoming');
    throw e;
  }
  dropAnchor();
  const before = changePlaces('database.incoming', `before-${stamp}`);
  const own = existsSync(join(privateFolder(), 'secret')) ? houseSecret() : null;
  if (own !== null) keepSecret(own, `secret.before-${stamp}`);
  keepSecret(secret);
  say(`${told(copy)} is your record now`);
  if (own !== null && own !== secret && own.endsWith(`\n${secret}`))
    say('it is of before the secret was changed, and has the one of then: ./rubrica rotate-secret');
  if (before) say(`what was here before stands in ${before}`);
  return 0;
}

/** Into an outside server's database, which must be empty. */
async function outside(copy: GoodCopy, secret: string, url: string): Promise<number> {
  const db = openDatabase(url);
  const tables = await db.sequelize.getQueryInterface().showAllTables();
  await db.sequelize.close();
  if (tables.length > 0)
    throw new Trouble('the database that RUBRICA_DATABASE_URL names is not empty. Nothing was changed.');
  await fillFrom(copy, url);
  await bringUpToDate(url);
  keepSecret(secret);
  say(`${told(copy)} is your record now`);
  return 0;
}

/** Puts a copy back: it is checked to the last bit first, and nothing is changed when it is not whole. */
export async function run(o: Options): Promise<number> {
  const [file] = o.rest;
  if (file === undefined) throw new Trouble('./rubrica restore FILE [--beside | --replace]');
  const copy = await needGoodCopy(resolve(file));
  const shop = runningShop();
  if (shop && !o.beside)
    throw new Trouble(
      `the shop is open at http://127.0.0.1:${shop.port}: stop it first (./rubrica stop), or restore --beside. Nothing was changed.`,
    );
  const secret = await secretOf(copy);
  process.env['RUBRICA_SECRET'] = secret;
  const url = process.env['RUBRICA_DATABASE_URL'];
  if (o.beside) {
    delete process.env['RUBRICA_DATABASE_URL'];
    return beside(copy, secret);
  }
  return url ? outside(copy, secret, url) : inPlace(copy, secret, o);
}
