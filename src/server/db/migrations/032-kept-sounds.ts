import type { Sequelize } from 'sequelize';

/** Sounds that were kept with readings by ear: one channel, 16 bits, small. */
const STEPS = [
  `CREATE TABLE sounds (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    job_id INT UNSIGNED NOT NULL,
    bytes MEDIUMBLOB NOT NULL,
    digest CHAR(64) NOT NULL,
    kept_by INT UNSIGNED NOT NULL,
    kept_at DATETIME(3) NOT NULL,
    INDEX sounds_by_job (job_id),
    CONSTRAINT sounds_job FOREIGN KEY (job_id) REFERENCES jobs (id),
    CONSTRAINT sounds_by FOREIGN KEY (kept_by) REFERENCES people (id)) ENGINE=InnoDB`,
  'ALTER TABLE readings ADD COLUMN sound_id INT UNSIGNED NULL',
] as const;

/** Brings a shop to readings that can be heard again. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
