import { fillDemo } from '../../src/demo/fill-demo.ts';
import { migrate } from '../../src/server/db/migrate.ts';
import { DATABASE, ensureDatabase, openHouse } from '../house.ts';
import type { Options } from '../main.ts';
import { openDatabase } from '../../src/server/db/connection.ts';
import { startDatabase } from '../private-database.ts';
import { say, Trouble } from '../say.ts';
import { houseSecret } from '../secret.ts';
import { runningStart } from './stop.ts';

/** Loads the demo shop: into an empty database, or with --fresh after throwing this checkout's own data away. */
export async function run(o: Options): Promise<number> {
  if (!o.fresh) {
    const house = await openHouse('demo');
    await (runningStart() === null ? house.close() : house.db.sequelize.close());
    return 0;
  }
  if (process.env['RUBRICA_DATABASE_URL'])
    throw new Trouble('seed --fresh throws data away and works only on the private database.');
  process.env['RUBRICA_SECRET'] = houseSecret();
  const server = await startDatabase('database');
  const admin = openDatabase(server.url('information_schema'));
  await admin.sequelize.query(`DROP DATABASE IF EXISTS \`${DATABASE}\``);
  await admin.sequelize.close();
  const db = openDatabase(await ensureDatabase(server, DATABASE));
  await migrate(db.sequelize);
  await fillDemo(db, new Date());
  await db.sequelize.close();
  if (runningStart() === null) await server.stop();
  say('the demo shop is fresh');
  return 0;
}
