import type { Sequelize } from 'sequelize';

/** On a cluster of databases every change counts one further here, so that of two at once the later is given again. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    `CREATE TABLE IF NOT EXISTS turns (
      id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
      taken BIGINT UNSIGNED NOT NULL) ENGINE=InnoDB`,
  );
  await sequelize.query('INSERT IGNORE INTO turns (id, taken) VALUES (1, 0)');
}
