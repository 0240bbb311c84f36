import type { Sequelize } from 'sequelize';

/** Brings a shop to a list of what was done to keep its record: copies made, seals checked. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    `CREATE TABLE upkeep_runs (
      id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
      kind ENUM('copy','seals') NOT NULL,
      began_at DATETIME(3) NOT NULL,
      ended_at DATETIME(3) NOT NULL,
      good BOOLEAN NOT NULL,
      place VARCHAR(500) NOT NULL DEFAULT '',
      bytes BIGINT UNSIGNED NULL,
      words VARCHAR(1000) NOT NULL DEFAULT '',
      INDEX upkeep_runs_by_kind (kind, good, ended_at)) ENGINE=InnoDB`,
  );
}
