import type { Sequelize } from 'sequelize';

/** Views of the list of jobs that somebody keeps: what it is narrowed to, its order, the columns left out. */
const STEPS = [
  `CREATE TABLE saved_views (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    person_id INT UNSIGNED NOT NULL,
    name VARCHAR(60) NOT NULL,
    query VARCHAR(600) NOT NULL,
    hidden VARCHAR(200) NOT NULL DEFAULT '',
    kept_at DATETIME(3) NOT NULL,
    UNIQUE INDEX saved_views_by_name (person_id, name),
    CONSTRAINT saved_views_person FOREIGN KEY (person_id) REFERENCES people (id)) ENGINE=InnoDB`,
] as const;

/** Brings a shop to saved views. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
