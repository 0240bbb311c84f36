import type { Sequelize } from 'sequelize';

/** Practice instruments on somebody's bench, and what was done to each: apart from everything the shop records. */
const STEPS = [
  `CREATE TABLE practice_sessions (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    person_id INT UNSIGNED NOT NULL,
    set_by_id INT UNSIGNED NULL,
    code VARCHAR(60) NOT NULL,
    says VARCHAR(500) NOT NULL,
    begun_at DATETIME(3) NOT NULL,
    ended_at DATETIME(3) NULL,
    version INT UNSIGNED NOT NULL DEFAULT 0,
    named VARCHAR(1700) NULL,
    score TINYINT UNSIGNED NULL,
    opened LONGTEXT NULL,
    INDEX practice_by_person (person_id, ended_at),
    CONSTRAINT practice_person FOREIGN KEY (person_id) REFERENCES people (id),
    CONSTRAINT practice_set_by FOREIGN KEY (set_by_id) REFERENCES people (id),
    CONSTRAINT practice_score CHECK (score IS NULL OR score <= 100)) ENGINE=InnoDB`,
  `CREATE TABLE practice_acts (
    session_id INT UNSIGNED NOT NULL,
    n INT UNSIGNED NOT NULL,
    act VARCHAR(400) NOT NULL,
    done_at DATETIME(3) NOT NULL,
    PRIMARY KEY (session_id, n),
    CONSTRAINT practice_act_session FOREIGN KEY (session_id)
      REFERENCES practice_sessions (id) ON DELETE CASCADE) ENGINE=InnoDB`,
] as const;

/** Brings a shop to practice instruments. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
