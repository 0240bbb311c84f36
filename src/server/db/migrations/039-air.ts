import type { Sequelize } from 'sequelize';

/** The air of the shop as loggers wrote it down, an hour a row, and the files it came from. */
const STEPS = [
  `CREATE TABLE air_logs (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    name VARCHAR(120) NOT NULL,
    hours INT UNSIGNED NOT NULL,
    from_at DATETIME(3) NOT NULL,
    to_at DATETIME(3) NOT NULL,
    brought_by INT UNSIGNED NOT NULL,
    brought_at DATETIME(3) NOT NULL,
    CONSTRAINT air_logs_person FOREIGN KEY (brought_by) REFERENCES people (id)) ENGINE=InnoDB`,
  `CREATE TABLE air_hours (
    at DATETIME(3) NOT NULL PRIMARY KEY,
    humidity DECIMAL(4,1) NOT NULL,
    temperature DECIMAL(4,1) NULL,
    log_id INT UNSIGNED NOT NULL,
    INDEX air_hours_by_log (log_id),
    CONSTRAINT air_hours_log FOREIGN KEY (log_id) REFERENCES air_logs (id) ON DELETE CASCADE) ENGINE=InnoDB`,
] as const;

/** Brings a shop to what its loggers wrote down. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
