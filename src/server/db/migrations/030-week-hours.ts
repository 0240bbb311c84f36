import type { Sequelize } from 'sequelize';

const STATEMENTS = [
  // How long a step takes by the word of who put it, in all.
  'ALTER TABLE step_puts ADD COLUMN minutes SMALLINT UNSIGNED NULL AFTER starts_at',
  // Hours beside one's own: somebody stays longer or comes on a day off. Minutes after midnight.
  `CREATE TABLE extra_hours (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    person_id INT UNSIGNED NOT NULL,
    day DATE NOT NULL,
    from_minute SMALLINT UNSIGNED NOT NULL,
    to_minute SMALLINT UNSIGNED NOT NULL,
    said_by INT UNSIGNED NOT NULL,
    said_at DATETIME(3) NOT NULL,
    taken_back_at DATETIME(3) NULL,
    INDEX extra_hours_by_day (day),
    CONSTRAINT extra_hours_person FOREIGN KEY (person_id) REFERENCES people (id),
    CONSTRAINT extra_hours_by FOREIGN KEY (said_by) REFERENCES people (id)) ENGINE=InnoDB`,
];

/** Brings a shop to hours that were added to a day, and to steps whose minutes somebody said. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const sql of STATEMENTS) await sequelize.query(sql);
}
