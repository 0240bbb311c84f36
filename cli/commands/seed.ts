import { fillDemo } from '../../src/demo/fill-demo.ts';
import { migrate } from '../../src/server/db/migrate.ts';
import { DATABASE, ensureDatabase, jobsAtStake } from '../base/databases.ts';
import { beginEmpty, openHouse } from '../base/house.ts';
import { dropAnchor } from '../base/ledger-anchor.ts';
import type { Options } from '../base/options.ts';
import { openDatabase } from '../../src/server/db/connection.ts';
import { startDatabase, type PrivateDatabase } from '../base/private-database.ts';
import { runningShop } from '../base/running-shop.ts';
import { say, Trouble } from '../base/say.ts';
import { houseSecret } from '../base/secret.ts';
import { sureToLose } from '../base/sure.ts';

async function replaceRecord(
  server: PrivateDatabase,
  { yes, empty }: Pick<Options, 'yes' | 'empty'>,
): Promise<boolean> {
  const jobs = await jobsAtStake(server);
  const what = `This throws the shop's whole record away: ${jobs} jobs, their readings, photos and seals.`;
  if (jobs !== null && !(await sureToLose(what, jobs, yes, './rubrica seed --fresh --yes'))) return false;
  const admin = openDatabase(server.url('information_schema'));
  await admin.sequelize.query(`DROP DATABASE IF EXISTS \`${DATABASE}\``);
  await admin.sequelize.close();
  dropAnchor();
  const db = openDatabase(await ensureDatabase(server, DATABASE));
  await migrate(db.sequelize);
  await (empty ? beginEmpty(db) : fillDemo(db, new Date()));
  await db.sequelize.close();
  return true;
}

/**
 * Loads the demo shop (with --empty a shop on its first day): into an empty database, or with --fresh after throwing this checkout's own data away. What would be
 * lost is said and asked about first; a shop that is open is never thrown away.
 */
export async function run(o: Options): Promise<number> {
  if (!o.fresh) {
    const house = await openHouse(o.empty ? 'empty' : 'demo');
    await house.close();
    return 0;
  }
  if (process.env['RUBRICA_DATABASE_URL'])
    throw new Trouble('seed --fresh throws data away and works only on the private database.');
  const shop = runningShop();
  if (shop)
    throw new Trouble(
      `the shop is open at http://127.0.0.1:${shop.port}: its record is not thrown away. Stop it first: ./rubrica stop`,
    );
  process.env['RUBRICA_SECRET'] = houseSecret();
  const server = await startDatabase('database');
  try {
    const done = await replaceRecord(server, o);
    say(!done ? 'nothing was changed' : o.empty ? 'the shop is empty, and yours' : 'the demo shop is fresh');
    return done ? 0 : 1;
  } finally {
    await server.stop();
  }
}
