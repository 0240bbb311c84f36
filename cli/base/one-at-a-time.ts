import { randomUUID } from 'node:crypto';
import { QueryTypes, type Sequelize } from 'sequelize';
import { say } from './say.ts';

const LEASE_S = 60;
const ASK_MS = 1_000;

const TABLE = `CREATE TABLE IF NOT EXISTS upgrading (
  id TINYINT UNSIGNED NOT NULL PRIMARY KEY, who CHAR(36) NOT NULL, until DATETIME(3) NOT NULL) ENGINE=InnoDB`;
const UNTIL = `NOW(3) + INTERVAL ${LEASE_S} SECOND`;

/** Tries to be the one; answers whether it is. What another one left when it was killed is over after a minute. */
async function take(sequelize: Sequelize, who: string): Promise<boolean> {
  await sequelize.query(TABLE);
  await sequelize.query(`INSERT IGNORE INTO upgrading (id, who, until) VALUES (1, ?, ${UNTIL})`, {
    replacements: [who],
  });
  await sequelize.query(`UPDATE upgrading SET who = ?, until = ${UNTIL} WHERE id = 1 AND until < NOW(3)`, {
    replacements: [who],
  });
  const [now] = await sequelize.query<{ who: string }>('SELECT who FROM upgrading WHERE id = 1', {
    type: QueryTypes.SELECT,
  });
  return now?.who === who;
}

/**
 * Does something to a record that several machines serve, while none of the others does the same; they wait until it is done.
 * Nothing of it is left in the record afterwards.
 */
export async function oneAtATime<T>(sequelize: Sequelize, what: () => Promise<T>): Promise<T> {
  const who = randomUUID();
  // Another one that is done takes the table away between two statements: it is asked again.
  for (let told = false; !(await take(sequelize, who).catch(() => false)); told = true) {
    if (!told) say('another machine brings the record up to date; waiting for it …');
    await new Promise((r) => setTimeout(r, ASK_MS));
  }
  const goOn = setInterval(
    () => {
      void sequelize
        .query(`UPDATE upgrading SET until = ${UNTIL} WHERE who = ?`, { replacements: [who] })
        .catch(() => undefined);
    },
    (LEASE_S * 1000) / 4,
  );
  try {
    return await what();
  } finally {
    clearInterval(goOn);
    await sequelize.query('DROP TABLE IF EXISTS upgrading');
  }
}
