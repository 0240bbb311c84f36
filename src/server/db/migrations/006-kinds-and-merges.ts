import type { Sequelize } from 'sequelize';

/** A shop's own kinds, duplicates joined with a way back, and what a signature was given for, kept with it. */
const STEPS = [
  `CREATE TABLE kinds (
     id VARCHAR(40) NOT NULL PRIMARY KEY, name VARCHAR(60) NOT NULL UNIQUE, construction JSON NOT NULL,
     version INT UNSIGNED NOT NULL DEFAULT 0, CHECK (name <> '')
   ) ENGINE=InnoDB`,
  `CREATE TABLE merges (
     id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, entity ENUM('customer','instrument') NOT NULL,
     verdict ENUM('same','apart') NOT NULL, kept_id INT UNSIGNED NOT NULL, gone_id INT UNSIGNED NOT NULL, moved JSON NOT NULL,
     merged_by INT UNSIGNED NOT NULL, merged_at DATETIME(3) NOT NULL, undone_at DATETIME(3) NULL,
     KEY merges_pair (entity, kept_id, gone_id), FOREIGN KEY (merged_by) REFERENCES people(id)
   ) ENGINE=InnoDB`,
  `ALTER TABLE customers ADD COLUMN merged_into INT UNSIGNED NULL,
     ADD CONSTRAINT customers_merged FOREIGN KEY (merged_into) REFERENCES customers(id)`,
  `ALTER TABLE instruments ADD COLUMN merged_into INT UNSIGNED NULL, ADD COLUMN year_from VARCHAR(120) NOT NULL DEFAULT '',
     ADD CONSTRAINT instruments_merged FOREIGN KEY (merged_into) REFERENCES instruments(id)`,
  'ALTER TABLE hand_overs ADD COLUMN subject JSON NULL',
  `UPDATE hand_overs SET subject = JSON_OBJECT('customer', JSON_VALUE(record, '$.customer'),
     'instrument', JSON_EXTRACT(record, '$.instrument')) WHERE record IS NOT NULL AND record <> ''`,
] as const;

/** Brings a shop to its own kinds and to merging. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
