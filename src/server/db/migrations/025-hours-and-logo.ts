import type { Sequelize } from 'sequelize';

/** Brings a shop to people with hours of their own, and to a logo. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query('ALTER TABLE people ADD COLUMN hours JSON NULL');
  await sequelize.query(
    `CREATE TABLE shop_files (name VARCHAR(20) PRIMARY KEY, bytes MEDIUMBLOB NOT NULL, digest CHAR(64) NOT NULL,
      width INT UNSIGNED NOT NULL, height INT UNSIGNED NOT NULL) ENGINE=InnoDB`,
  );
}
