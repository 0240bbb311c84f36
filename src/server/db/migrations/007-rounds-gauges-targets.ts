import type { Sequelize } from 'sequelize';

/** A round after each operation, methods and gauges kept with what was read, targets by layer and version. */
const STEPS = [
  'ALTER TABLE rounds MODIFY kind VARCHAR(20) NOT NULL',
  `ALTER TABLE rounds ADD COLUMN title VARCHAR(160) NOT NULL DEFAULT '', ADD COLUMN methods JSON NULL, ADD COLUMN gauges JSON NULL,
     ADD COLUMN pitch DECIMAL(6,2) NULL, ADD CONSTRAINT rounds_kind CHECK (kind REGEXP '^(as-found|after-work(-[0-9]+)?|as-left)$'),
     ADD CONSTRAINT rounds_pitch CHECK (pitch IS NULL OR pitch BETWEEN 380 AND 500)`,
  `CREATE TABLE gauges (
     id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, name VARCHAR(80) NOT NULL UNIQUE, quantities JSON NOT NULL,
     unit VARCHAR(10) NOT NULL, resolution DECIMAL(14,9) NOT NULL, zero_offset DECIMAL(14,9) NOT NULL DEFAULT 0,
     checked_at DATETIME(3) NULL, check_every_days INT UNSIGNED NOT NULL DEFAULT 365, retired BOOLEAN NOT NULL DEFAULT FALSE,
     version INT UNSIGNED NOT NULL DEFAULT 0, CHECK (name <> ''), CHECK (resolution > 0), CHECK (check_every_days > 0)
   ) ENGINE=InnoDB`,
  `ALTER TABLE readings ADD COLUMN method_id VARCHAR(20) NULL, ADD COLUMN uncertainty DECIMAL(14,9) NULL,
     ADD COLUMN copied_from VARCHAR(20) NULL`,
  `ALTER TABLE job_targets ADD COLUMN string_no TINYINT UNSIGNED NOT NULL DEFAULT 0,
     ADD COLUMN layer ENUM('customer','job') NOT NULL DEFAULT 'job', ADD COLUMN relative VARCHAR(20) NULL`,
  'ALTER TABLE job_targets ADD UNIQUE KEY job_targets_place (job_id, layer, quantity, side, string_no)',
  'ALTER TABLE job_targets DROP INDEX job_id',
  `CREATE TABLE target_versions (
     version INT UNSIGNED NOT NULL PRIMARY KEY, targets JSON NOT NULL, note VARCHAR(200) NOT NULL DEFAULT '',
     saved_by INT UNSIGNED NOT NULL, saved_at DATETIME(3) NOT NULL, FOREIGN KEY (saved_by) REFERENCES people(id)
   ) ENGINE=InnoDB`,
] as const;

/** Brings a shop to rounds after each operation, to gauges and to its own targets. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
