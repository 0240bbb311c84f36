import type { Sequelize } from 'sequelize';

/** What did not work of late is kept for the owner to read: each once, with how often and when last. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    `CREATE TABLE failures (
      id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
      words VARCHAR(120) NOT NULL,
      name VARCHAR(160) NOT NULL,
      why ENUM('database','machine','program') NOT NULL,
      request VARCHAR(40) NOT NULL DEFAULT '',
      times INT UNSIGNED NOT NULL DEFAULT 1,
      first_at DATETIME(3) NOT NULL,
      last_at DATETIME(3) NOT NULL,
      UNIQUE KEY failures_once (words, name, why),
      KEY failures_last (last_at)) ENGINE=InnoDB`,
  );
}
