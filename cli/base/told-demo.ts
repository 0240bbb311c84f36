import { QueryTypes } from 'sequelize';
import { fillDemo } from '../../src/demo/fill-demo.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { migrate } from '../../src/server/db/migrate.ts';
import { copyDatabase } from './copy-database.ts';

/** What is made once on a server, never used itself, and copied from then on. */
interface Original {
  readonly name: string;
  /** the empty database that says that it is whole */
  readonly isWhole: string;
  readonly fill: (db: Database) => Promise<void>;
}

const DEMO: Original = {
  name: 'rubrica_demo_told',
  isWhole: 'rubrica_demo_is_whole',
  fill: (db) => fillDemo(db, new Date()),
};
const EMPTY: Original = {
  name: 'rubrica_empty_made',
  isWhole: 'rubrica_empty_is_whole',
  fill: () => Promise.resolve(),
};
/** Several processes may want it at once: one makes it, the others wait. */
const LOCK_SECONDS = 1200;

/** The address of a database of a server by its name. */
export type UrlOf = (database: string) => string;

async function isThere(admin: Database, { isWhole }: Original): Promise<boolean> {
  const found = await admin.sequelize.query('SELECT 1 FROM schemata WHERE schema_name = ?', {
    type: QueryTypes.SELECT,
    replacements: [isWhole],
  });
  return found.length > 0;
}

async function make(admin: Database, urlOf: UrlOf, { name, isWhole, fill }: Original): Promise<void> {
  await admin.sequelize.query(`DROP DATABASE IF EXISTS ${name}`);
  await admin.sequelize.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  const db = openDatabase(urlOf(name));
  await migrate(db.sequelize);
  await fill(db);
  await db.sequelize.close();
  await admin.sequelize.query(`CREATE DATABASE ${isWhole}`);
}

async function copyOf(original: Original, urlOf: UrlOf, name: string): Promise<string> {
  const admin = openDatabase(urlOf('information_schema'));
  try {
    // The lock belongs to one connection, which the transaction keeps.
    await admin.sequelize.transaction(async (transaction) => {
      const lock = original.name;
      await admin.sequelize.query('SELECT GET_LOCK(?, ?)', {
        transaction,
        replacements: [lock, LOCK_SECONDS],
      });
      if (!(await isThere(admin, original))) await make(admin, urlOf, original);
      await admin.sequelize.query('SELECT RELEASE_LOCK(?)', { transaction, replacements: [lock] });
    });
  } finally {
    await admin.sequelize.close();
  }
  await copyDatabase(urlOf(original.name), urlOf(name));
  return urlOf(name);
}

/**
 * Makes a database that holds the demo shop: told command by command the first time, a copy of that from then on.
 * @param urlOf the addresses of one server's databases, for an account that may make some
 * @returns its address
 */
export const demoDatabase = (urlOf: UrlOf, name: string): Promise<string> => copyOf(DEMO, urlOf, name);

/** The same with nothing in it, as the newest step of the record leaves it. */
export const emptyDatabase = (urlOf: UrlOf, name: string): Promise<string> => copyOf(EMPTY, urlOf, name);

/** Forgets what was made to be copied, so that the next one is of today and of these sources. */
export async function forgetToldDemo(urlOf: UrlOf): Promise<void> {
  const admin = openDatabase(urlOf('information_schema'));
  for (const { isWhole } of [DEMO, EMPTY]) await admin.sequelize.query(`DROP DATABASE IF EXISTS ${isWhole}`);
  await admin.sequelize.close();
}
