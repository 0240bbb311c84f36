import type { Sequelize } from 'sequelize';

/** What is tried on a neck, the plan that was chosen with its predictions, options for the customer, the shop's own catalogue. */
const STEPS = [
  'ALTER TABLE instruments ADD COLUMN worth_minor INT UNSIGNED NULL',
  `ALTER TABLE jobs ADD COLUMN discount_kind ENUM('none','amount','share') NOT NULL DEFAULT 'none',
     ADD COLUMN discount_value INT UNSIGNED NOT NULL DEFAULT 0, ADD COLUMN discount_reason VARCHAR(200) NOT NULL DEFAULT '',
     ADD CONSTRAINT jobs_discount CHECK (discount_kind = 'none' OR discount_reason <> '')`,
  `CREATE TABLE what_ifs (
     id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, job_id INT UNSIGNED NOT NULL, name VARCHAR(80) NOT NULL,
     moves JSON NOT NULL, made_by INT UNSIGNED NOT NULL, made_at DATETIME(3) NOT NULL, version INT UNSIGNED NOT NULL DEFAULT 0,
     UNIQUE KEY what_ifs_name (job_id, name), FOREIGN KEY (job_id) REFERENCES jobs(id), FOREIGN KEY (made_by) REFERENCES people(id),
     CHECK (name <> '')
   ) ENGINE=InnoDB`,
  `CREATE TABLE plan_choices (
     id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, job_id INT UNSIGNED NOT NULL UNIQUE, plan VARCHAR(20) NOT NULL,
     content JSON NOT NULL, reason VARCHAR(400) NOT NULL DEFAULT '', chosen_by INT UNSIGNED NOT NULL, chosen_at DATETIME(3) NOT NULL,
     version INT UNSIGNED NOT NULL DEFAULT 0, FOREIGN KEY (job_id) REFERENCES jobs(id), FOREIGN KEY (chosen_by) REFERENCES people(id)
   ) ENGINE=InnoDB`,
  `CREATE TABLE plan_results (
     id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, job_id INT UNSIGNED NOT NULL, place VARCHAR(40) NOT NULL,
     predicted DECIMAL(14,9) NOT NULL, achieved DECIMAL(14,9) NOT NULL, at DATETIME(3) NOT NULL,
     UNIQUE KEY plan_results_place (job_id, place), FOREIGN KEY (job_id) REFERENCES jobs(id)
   ) ENGINE=InnoDB`,
  `CREATE TABLE offers (
     id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, job_id INT UNSIGNED NOT NULL, token_hash CHAR(64) NOT NULL UNIQUE,
     content JSON NOT NULL, made_by INT UNSIGNED NOT NULL, made_at DATETIME(3) NOT NULL, expires_at DATETIME(3) NOT NULL,
     withdrawn_at DATETIME(3) NULL, choice VARCHAR(20) NULL, choice_by VARCHAR(120) NOT NULL DEFAULT '',
     choice_how VARCHAR(40) NOT NULL DEFAULT '', choice_note VARCHAR(400) NOT NULL DEFAULT '', chosen_at DATETIME(3) NULL,
     KEY offers_job (job_id), FOREIGN KEY (job_id) REFERENCES jobs(id), FOREIGN KEY (made_by) REFERENCES people(id),
     CHECK ((choice IS NULL) = (chosen_at IS NULL))
   ) ENGINE=InnoDB`,
  `CREATE TABLE operation_versions (
     version INT UNSIGNED NOT NULL PRIMARY KEY, operations JSON NOT NULL, note VARCHAR(200) NOT NULL DEFAULT '',
     saved_by INT UNSIGNED NOT NULL, saved_at DATETIME(3) NOT NULL, FOREIGN KEY (saved_by) REFERENCES people(id)
   ) ENGINE=InnoDB`,
] as const;

/** Brings a shop to plans, options and a catalogue of its own. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
