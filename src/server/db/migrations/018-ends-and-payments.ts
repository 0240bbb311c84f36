import type { Sequelize } from 'sequelize';

const WHEN = 'DATETIME(3)';

/** How a job ends, instruments on the floor, and any number of payments; what was paid so far becomes the first one. */
const STEPS = [
  `ALTER TABLE hand_overs ADD COLUMN ending VARCHAR(20) NOT NULL DEFAULT 'done',
     ADD COLUMN ending_note VARCHAR(400) NOT NULL DEFAULT '', ADD COLUMN ended_at ${WHEN} NULL, ADD COLUMN ended_by INT UNSIGNED NULL,
     ADD FOREIGN KEY (ended_by) REFERENCES people(id)`,
  `ALTER TABLE instruments ADD COLUMN floor_since ${WHEN} NULL, ADD KEY instruments_floor (floor_since)`,
  `CREATE TABLE payments (
     id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, job_id INT UNSIGNED NOT NULL, kind ENUM('deposit','payment','refund') NOT NULL,
     amount_minor INT UNSIGNED NOT NULL, how VARCHAR(40) NOT NULL, note VARCHAR(200) NOT NULL DEFAULT '',
     by_person INT UNSIGNED NULL, at ${WHEN} NOT NULL,
     back_at ${WHEN} NULL, back_by INT UNSIGNED NULL, back_why VARCHAR(200) NOT NULL DEFAULT '', version INT UNSIGNED NOT NULL DEFAULT 0,
     KEY payments_job (job_id), FOREIGN KEY (job_id) REFERENCES jobs(id), FOREIGN KEY (by_person) REFERENCES people(id),
     FOREIGN KEY (back_by) REFERENCES people(id), CHECK (amount_minor > 0), CHECK ((back_at IS NULL) = (back_why = ''))
   ) ENGINE=InnoDB`,
  `INSERT INTO payments (job_id, kind, amount_minor, how, by_person, at)
     SELECT job_id, 'payment', paid_minor, paid_how, NULL, paid_at FROM hand_overs WHERE paid_minor > 0`,
  'ALTER TABLE hand_overs DROP CONSTRAINT hand_overs_paid, DROP COLUMN paid_minor, DROP COLUMN paid_how, DROP COLUMN paid_at',
] as const;

/** Brings a shop to jobs that end in more than one way and to payments. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
