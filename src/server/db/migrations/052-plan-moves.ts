import type { Sequelize } from 'sequelize';

/** Where a step stood when a day's plan first moved it by itself, and why it stands elsewhere since. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    `CREATE TABLE IF NOT EXISTS plan_moves (
      step VARCHAR(80) NOT NULL,
      day DATE NOT NULL,
      job_id INT UNSIGNED NOT NULL,
      person_id INT UNSIGNED NOT NULL,
      starts_at DATETIME(3) NOT NULL,
      why JSON NOT NULL,
      moved_at DATETIME(3) NOT NULL,
      PRIMARY KEY (step, day),
      INDEX plan_moves_by_day (day),
      INDEX plan_moves_by_job (job_id),
      CONSTRAINT plan_moves_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE,
      CONSTRAINT plan_moves_person FOREIGN KEY (person_id) REFERENCES people (id)) ENGINE=InnoDB`,
  );
}
