import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { dumpRecord } from '../src/server/backup/dump-record.ts';
import { openDatabase } from '../src/server/db/connection.ts';
import { migrate } from '../src/server/db/migrate.ts';
import { fillDemo } from '../src/demo/fill-demo.ts';
import { clientPrograms } from './base/copies.ts';
import { ensureDatabase } from './base/databases.ts';
import { ROOT } from './base/paths.ts';
import { startDatabase } from './base/private-database.ts';
import { release } from './base/release.ts';

/** Writes the demo shop's record in this release's form, for the next release to bring up to date. */
const NAME = 'rubrica_record';
process.env['RUBRICA_SECRET'] = 'only for the tests';
const server = await startDatabase('test-database');
try {
  const admin = openDatabase(server.url('information_schema'));
  await admin.sequelize.query(`DROP DATABASE IF EXISTS ${NAME}`);
  const url = await ensureDatabase(server, NAME);
  const db = openDatabase(url);
  await migrate(db.sequelize);
  await fillDemo(db, new Date());
  await db.sequelize.close();
  const folder = join(ROOT, 'tests/fixtures/records');
  mkdirSync(folder, { recursive: true });
  const file = join(folder, `${release()}.sql.gz`);
  const { bytes } = await dumpRecord({ url, programs: clientPrograms() }, file);
  await admin.sequelize.query(`DROP DATABASE ${NAME}`);
  await admin.sequelize.close();
  process.stdout.write(`${file}: ${bytes} bytes\n`);
} finally {
  await server.stop();
}
