import type { Sequelize } from 'sequelize';

const STATES = "ENUM('at-pitch','missing','off-pitch','off')";

/** Several lists side by side, strings taken off and put on, and the state of having none. */
const STEPS = [
  `ALTER TABLE checklists ADD COLUMN list VARCHAR(40) NOT NULL DEFAULT 'bench-arrival' AFTER id,
     ADD COLUMN ends JSON NOT NULL DEFAULT '[]', DROP KEY name, ADD UNIQUE KEY checklists_list (list, version)`,
  `ALTER TABLE jobs MODIFY COLUMN strings_state ${STATES} NOT NULL`,
  `ALTER TABLE rounds MODIFY COLUMN strings ${STATES} NOT NULL`,
  `ALTER TABLE readings MODIFY COLUMN strings ${STATES} NOT NULL`,
  "ALTER TABLE inspection_answers MODIFY COLUMN answer ENUM('fine','watch','work','na','skipped') NULL",
  `CREATE TABLE string_changes (
     id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, job_id INT UNSIGNED NOT NULL, kind ENUM('off','on') NOT NULL,
     reason VARCHAR(400) NOT NULL DEFAULT '', lost JSON NOT NULL, set_name VARCHAR(120) NOT NULL DEFAULT '',
     fresh BOOLEAN NULL, strings JSON NOT NULL, changed_by INT UNSIGNED NOT NULL, changed_at DATETIME(3) NOT NULL,
     KEY string_changes_job (job_id, id), FOREIGN KEY (job_id) REFERENCES jobs(id), FOREIGN KEY (changed_by) REFERENCES people(id),
     CHECK ((kind = 'on') = (fresh IS NOT NULL))
   ) ENGINE=InnoDB`,
] as const;

/** Brings a shop of the first path to several checklists and recorded string changes. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
