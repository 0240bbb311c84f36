import type { Sequelize } from 'sequelize';

const TABLES = [
  // Where every open step stands in the plan: found by the planner, kept so that nothing jumps.
  `CREATE TABLE planned_steps (
    step VARCHAR(80) PRIMARY KEY,
    job_id INT UNSIGNED NOT NULL,
    person_id INT UNSIGNED NOT NULL,
    spot VARCHAR(40) NULL,
    starts_at DATETIME(3) NOT NULL,
    INDEX planned_steps_by_job (job_id),
    CONSTRAINT planned_steps_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE,
    CONSTRAINT planned_steps_person FOREIGN KEY (person_id) REFERENCES people (id)) ENGINE=InnoDB`,
  // Where somebody put a step: to whom, and when.
  `CREATE TABLE step_puts (
    step VARCHAR(80) PRIMARY KEY,
    job_id INT UNSIGNED NOT NULL,
    person_id INT UNSIGNED NULL,
    starts_at DATETIME(3) NULL,
    put_by INT UNSIGNED NOT NULL,
    put_at DATETIME(3) NOT NULL,
    version INT NOT NULL DEFAULT 1,
    CONSTRAINT step_puts_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE,
    CONSTRAINT step_puts_person FOREIGN KEY (person_id) REFERENCES people (id),
    CONSTRAINT step_puts_by FOREIGN KEY (put_by) REFERENCES people (id)) ENGINE=InnoDB`,
  `CREATE TABLE absences (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    person_id INT UNSIGNED NOT NULL,
    first_day DATE NOT NULL,
    last_day DATE NOT NULL,
    why VARCHAR(80) NOT NULL DEFAULT '',
    said_by INT UNSIGNED NOT NULL,
    said_at DATETIME(3) NOT NULL,
    taken_back_at DATETIME(3) NULL,
    INDEX absences_by_day (last_day),
    CONSTRAINT absences_person FOREIGN KEY (person_id) REFERENCES people (id),
    CONSTRAINT absences_by FOREIGN KEY (said_by) REFERENCES people (id)) ENGINE=InnoDB`,
  // What was promised, with the chance it had when it was.
  `CREATE TABLE promises (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    job_id INT UNSIGNED NOT NULL,
    day DATE NOT NULL,
    chance DECIMAL(4,3) NULL,
    made_by INT UNSIGNED NOT NULL,
    made_at DATETIME(3) NOT NULL,
    INDEX promises_by_job (job_id, id),
    CONSTRAINT promises_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE,
    CONSTRAINT promises_by FOREIGN KEY (made_by) REFERENCES people (id)) ENGINE=InnoDB`,
  // The link of one person's calendar: its hash alone.
  `CREATE TABLE week_feeds (
    person_id INT UNSIGNED PRIMARY KEY,
    token_hash CHAR(64) NOT NULL UNIQUE,
    made_at DATETIME(3) NOT NULL,
    CONSTRAINT week_feeds_person FOREIGN KEY (person_id) REFERENCES people (id)) ENGINE=InnoDB`,
  // When the plan has each job ready, and the chance to be in time: for the rack, which does not plan itself.
  `CREATE TABLE job_dates (
    job_id INT UNSIGNED PRIMARY KEY,
    ready_at DATETIME(3) NULL,
    chance DECIMAL(4,3) NULL,
    CONSTRAINT job_dates_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE) ENGINE=InnoDB`,
];

/** Brings a shop to a plan of its week. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const sql of TABLES) await sequelize.query(sql);
}
