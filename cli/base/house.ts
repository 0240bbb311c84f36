import { QueryTypes } from 'sequelize';
import { fillDemo } from '../../src/demo/fill-demo.ts';
import { DEMO_PEOPLE } from '../../src/demo/people.ts';
import { fillEmptyShop } from '../../src/demo/fill-empty-shop.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { secretsIn } from '../../src/server/db/house-secrets.ts';
import { goesOnUnder } from '../../src/server/upkeep/change-secret.ts';
import { asRunning } from './database-accounts.ts';
import { DATABASE, ensureDatabase } from './databases.ts';
import { startDatabase, type PrivateDatabase } from './private-database.ts';
import { say, Trouble } from './say.ts';
import { forgetNext, houseSecret, keepSecret, nextSecret } from './secret.ts';
import { bringUpToDate, finishUpgrade } from './upgrade.ts';

export interface House {
  readonly url: string;
  /** the same, as the running application opens it: rows alone, no table and no trigger */
  readonly runningUrl: string;
  readonly secret: string;
  readonly db: Database;
  /** the private server; null where an outside one is used */
  readonly server: PrivateDatabase | null;
  readonly close: () => Promise<void>;
}

/** Who works here; nobody in a house that was never filled. */
const peopleOf = async ({ sequelize }: Database): Promise<readonly string[]> =>
  (await sequelize.query<{ name: string }>('SELECT name FROM people', { type: QueryTypes.SELECT })).map(
    (p) => p.name,
  );

/** Why a house that is not empty is not begun as an empty one: with the demo shop in it nobody would see their own. */
const demoIsHere = (people: readonly string[]): boolean =>
  people.length > 0 && DEMO_PEOPLE.every((d) => people.includes(d.name));

const NOT_EMPTY =
  'this house holds the demo shop, not an empty one. To begin your own shop and throw the demo away: ' +
  './rubrica seed --empty --fresh, then ./rubrica start. To look at the demo: ./rubrica start';

/** Begins an empty shop and says its owner's PIN, once. */
export async function beginEmpty(db: Database): Promise<void> {
  say(`the owner's PIN is ${await fillEmptyShop(db)}. Write it down: it is not shown again.`);
}

/** A change of the secret that was cut off: it counts where the record goes on under the new one, and else never was. */
async function finishSecret(db: Database): Promise<void> {
  const next = nextSecret();
  if (next === null) return;
  if (await goesOnUnder(db, secretsIn(next).at(-1) ?? '')) {
    keepSecret(next);
    process.env['RUBRICA_SECRET'] = next;
  }
  forgetNext();
}

/** Opens the house's database, private or outside, brings it up to date, and fills it when it is empty. */
export async function openHouse(fill: 'demo' | 'empty' | 'leave'): Promise<House> {
  const found = houseSecret();
  process.env['RUBRICA_SECRET'] = found;
  const outside = process.env['RUBRICA_DATABASE_URL'];
  if (!outside) await finishUpgrade();
  const server = outside ? null : await startDatabase('database');
  const url = server ? await ensureDatabase(server, DATABASE) : (outside ?? '');
  const db = openDatabase(url);
  await bringUpToDate({ db, url, secret: found, server });
  await finishSecret(db);
  const secret = houseSecret();
  const people = fill === 'leave' ? [] : await peopleOf(db);
  if (fill === 'empty' && demoIsHere(people)) {
    await db.sequelize.close();
    await server?.stop();
    throw new Trouble(NOT_EMPTY);
  }
  if (fill !== 'leave' && people.length === 0) {
    say(fill === 'demo' ? 'loading the demo shop …' : 'setting up an empty shop …');
    await (fill === 'demo' ? fillDemo(db, new Date()) : beginEmpty(db));
  }
  return {
    url,
    runningUrl: server ? asRunning(url) : (process.env['RUBRICA_RUNNING_DATABASE_URL'] ?? url),
    secret,
    db,
    server,
    close: async () => {
      await db.sequelize.close();
      await server?.stop();
    },
  };
}
