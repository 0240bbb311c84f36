import { QueryTypes } from 'sequelize';
import { fillDemo } from '../../src/demo/fill-demo.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { migrate } from '../../src/server/db/migrate.ts';
import { copyDatabase } from './copy-database.ts';

/** The demo shop as it was told on a server, never used itself, and the empty database that says that it is whole. */
const TOLD = 'rubrica_demo_told';
const IS_WHOLE = 'rubrica_demo_is_whole';
/** Several processes may want it at once: one tells it, the others wait. */
const LOCK = 'rubrica demo told';
const LOCK_SECONDS = 1200;

/** The address of a database of a server by its name. */
export type UrlOf = (database: string) => string;

async function isWhole(admin: Database): Promise<boolean> {
  const found = await admin.sequelize.query('SELECT 1 FROM schemata WHERE schema_name = ?', {
    type: QueryTypes.SELECT,
    replacements: [IS_WHOLE],
  });
  return found.length > 0;
}

async function tell(admin: Database, urlOf: UrlOf): Promise<void> {
  await admin.sequelize.query(`DROP DATABASE IF EXISTS ${TOLD}`);
  await admin.sequelize.query(`CREATE DATABASE ${TOLD} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  const db = openDatabase(urlOf(TOLD));
  await migrate(db.sequelize);
  await fillDemo(db, new Date());
  await db.sequelize.close();
  await admin.sequelize.query(`CREATE DATABASE ${IS_WHOLE}`);
}

/**
 * Makes a database that holds the demo shop: told command by command the first time, a copy of that from then on.
 * @param urlOf the addresses of one server's databases, for an account that may make some
 * @returns its address
 */
export async function demoDatabase(urlOf: UrlOf, name: string): Promise<string> {
  const admin = openDatabase(urlOf('information_schema'));
  try {
    // The lock belongs to one connection, which the transaction keeps.
    await admin.sequelize.transaction(async (transaction) => {
      await admin.sequelize.query('SELECT GET_LOCK(?, ?)', {
        transaction,
        replacements: [LOCK, LOCK_SECONDS],
      });
      if (!(await isWhole(admin))) await tell(admin, urlOf);
      await admin.sequelize.query('SELECT RELEASE_LOCK(?)', { transaction, replacements: [LOCK] });
    });
  } finally {
    await admin.sequelize.close();
  }
  await copyDatabase(urlOf(TOLD), urlOf(name));
  return urlOf(name);
}

/** Forgets the told demo shop, so that the next one is of today and of these sources. */
export async function forgetToldDemo(urlOf: UrlOf): Promise<void> {
  const admin = openDatabase(urlOf('information_schema'));
  await admin.sequelize.query(`DROP DATABASE IF EXISTS ${IS_WHOLE}`);
  await admin.sequelize.close();
}
