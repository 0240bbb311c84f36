import type { Sequelize } from 'sequelize';

/**
 * Cuts of saddle and nut as they were made: what was meant and what came off, mm; and what the relief was expected to read after a
 * turn of the rod (null for turns from before that was kept).
 */
const STEPS = [
  `CREATE TABLE cuts (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    job_id INT UNSIGNED NOT NULL,
    line_id INT UNSIGNED NULL,
    operation VARCHAR(40) NOT NULL,
    place VARCHAR(20) NOT NULL,
    meant DECIMAL(12,9) NOT NULL,
    took DECIMAL(12,9) NOT NULL,
    typed VARCHAR(160) NOT NULL DEFAULT '',
    made_by INT UNSIGNED NOT NULL,
    made_at DATETIME(3) NOT NULL,
    version INT NOT NULL DEFAULT 0,
    INDEX cuts_by_job (job_id),
    INDEX cuts_by_moment (made_at),
    CONSTRAINT cuts_job FOREIGN KEY (job_id) REFERENCES jobs (id),
    CONSTRAINT cuts_line FOREIGN KEY (line_id) REFERENCES work_lines (id) ON DELETE SET NULL,
    CONSTRAINT cuts_person FOREIGN KEY (made_by) REFERENCES people (id)) ENGINE=InnoDB`,
  'ALTER TABLE rod_turns ADD COLUMN expected DECIMAL(12,9) NULL',
] as const;

/** Brings a shop to logged cuts. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
