import type { Sequelize } from 'sequelize';

/** Which list a job is inspected by, the word an inspection ends in, and who is looking at what. */
const STEPS = [
  "ALTER TABLE jobs ADD COLUMN list VARCHAR(40) NOT NULL DEFAULT 'bench-arrival'",
  "ALTER TABLE inspections ADD COLUMN ending VARCHAR(60) NOT NULL DEFAULT ''",
  `CREATE TABLE presence (
     device_id INT UNSIGNED NOT NULL PRIMARY KEY, person_id INT UNSIGNED NOT NULL, job_number INT UNSIGNED NOT NULL,
     leaf VARCHAR(20) NOT NULL, item VARCHAR(40) NOT NULL DEFAULT '', seen_at DATETIME(3) NOT NULL,
     KEY presence_job (job_number, seen_at), FOREIGN KEY (device_id) REFERENCES devices(id),
     FOREIGN KEY (person_id) REFERENCES people(id)
   ) ENGINE=InnoDB`,
] as const;

/** Brings a shop to a list for each job and to presence. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
