import { QueryTypes } from 'sequelize';
import type { Database } from '../db/connection.ts';
import { MIGRATION_NAMES } from '../db/migrate.ts';

const KEY = Symbol.for('rubrica.form');
type Holder = { [KEY]?: boolean };

/** Whether the record has the form this release keeps; asked until it has, then known. */
async function hasForm({ sequelize }: Pick<Database, 'sequelize'>): Promise<boolean> {
  const holder = globalThis as Holder;
  if (holder[KEY] === true) return true;
  const [last] = await sequelize.query<{ name: string | null }>('SELECT MAX(name) AS name FROM migrations', {
    type: QueryTypes.SELECT,
  });
  holder[KEY] = last?.name === MIGRATION_NAMES.at(-1);
  return holder[KEY];
}

/** A node of a cluster that lost the others connects and answers, and may serve nothing. */
async function isServing({ sequelize }: Pick<Database, 'sequelize'>): Promise<boolean> {
  const [cluster] = await sequelize.query<{ inCluster: number }>('SELECT @@wsrep_on AS inCluster', {
    type: QueryTypes.SELECT,
  });
  if (Number(cluster?.inCluster) === 0) return true;
  const rows = await sequelize.query<{ Value: string }>("SHOW STATUS LIKE 'wsrep_ready'", {
    type: QueryTypes.SELECT,
  });
  return rows.every((r) => r.Value === 'ON');
}

/** Whether the house can serve: its database answers, may serve, and holds the record in this release's form. */
export async function isReady(db: Pick<Database, 'sequelize'>): Promise<boolean> {
  return (await isServing(db)) && (await hasForm(db));
}
