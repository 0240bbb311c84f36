import type { Sequelize } from 'sequelize';

/** What may touch what, where the shop says it otherwise than the trade: every version stays. */
const TABLE = `CREATE TABLE care_versions (
  version INT UNSIGNED PRIMARY KEY,
  care JSON NOT NULL,
  note VARCHAR(200) NOT NULL DEFAULT '',
  saved_by INT UNSIGNED NOT NULL,
  saved_at DATETIME(3) NOT NULL,
  CONSTRAINT care_versions_person FOREIGN KEY (saved_by) REFERENCES people (id)) ENGINE=InnoDB`;

/** Brings a shop to its own rules of care. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(TABLE);
}
