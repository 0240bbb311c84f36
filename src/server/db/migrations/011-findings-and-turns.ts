import type { Sequelize } from 'sequelize';

/**
 * What was found on an item by its name; a decision that puts another operation in the place of what was proposed; every turn
 * of a rod where it is made. Relief mm, eighths of a turn with tightening positive.
 */
const STEPS = [
  'ALTER TABLE inspection_answers ADD COLUMN finding VARCHAR(40) NULL',
  'ALTER TABLE decisions ADD COLUMN instead VARCHAR(40) NULL',
  `CREATE TABLE rod_turns (
     id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, job_id INT UNSIGNED NOT NULL, line_id INT UNSIGNED NULL,
     eighths DECIMAL(4,1) NOT NULL, relief_before DECIMAL(12,9) NULL, relief_after DECIMAL(12,9) NULL,
     typed VARCHAR(160) NOT NULL DEFAULT '', turned_by INT UNSIGNED NOT NULL, turned_at DATETIME(3) NOT NULL,
     version INT UNSIGNED NOT NULL DEFAULT 0, KEY rod_turns_job (job_id),
     FOREIGN KEY (job_id) REFERENCES jobs(id), FOREIGN KEY (turned_by) REFERENCES people(id),
     FOREIGN KEY (line_id) REFERENCES work_lines(id) ON DELETE SET NULL,
     CHECK (eighths <> 0 AND eighths BETWEEN -16 AND 16)
   ) ENGINE=InnoDB`,
] as const;

/** Brings a shop to named findings and logged turns. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
