import type { Sequelize } from 'sequelize';

/** What the customer saw and initialled when the instrument was left. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`CREATE TABLE receipts (
     id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, job_id INT UNSIGNED NOT NULL, seen JSON NOT NULL,
     name VARCHAR(120) NOT NULL, initials MEDIUMTEXT NULL, given_by INT UNSIGNED NOT NULL, given_at DATETIME(3) NOT NULL,
     KEY receipts_job (job_id, id), FOREIGN KEY (job_id) REFERENCES jobs(id), FOREIGN KEY (given_by) REFERENCES people(id),
     CHECK (name <> '')
   ) ENGINE=InnoDB`);
}
