import type { Sequelize } from 'sequelize';

/**
 * What instruments show of themselves: every act of closed visits that tells a number, what the instruments of a kind tell together,
 * and when an instrument's acts were last counted (null: they wait for it).
 */
const STEPS = [
  `CREATE TABLE acts (
    id INT UNSIGNED AUTO_INCREMENT PRIMARY KEY,
    instrument_id INT UNSIGNED NOT NULL,
    job_id INT UNSIGNED NOT NULL,
    kind VARCHAR(40) NOT NULL,
    base VARCHAR(20) NOT NULL,
    number VARCHAR(10) NOT NULL,
    moved DECIMAL(14,9) NOT NULL,
    gave DECIMAL(14,9) NOT NULL,
    variance DECIMAL(18,12) NOT NULL,
    between_rounds VARCHAR(160) NOT NULL,
    at DATETIME(3) NOT NULL,
    INDEX acts_by_instrument (instrument_id),
    CONSTRAINT acts_instrument FOREIGN KEY (instrument_id) REFERENCES instruments (id),
    CONSTRAINT acts_job FOREIGN KEY (job_id) REFERENCES jobs (id)) ENGINE=InnoDB`,
  `CREATE TABLE kind_numbers (
    kind VARCHAR(40) NOT NULL,
    number VARCHAR(10) NOT NULL,
    weight DOUBLE NOT NULL,
    pull DOUBLE NOT NULL,
    instruments INT NOT NULL,
    acts INT NOT NULL,
    PRIMARY KEY (kind, number)) ENGINE=InnoDB`,
  'ALTER TABLE instruments ADD COLUMN learned_at DATETIME(3) NULL, ADD INDEX instruments_learned (learned_at)',
] as const;

/** Brings a shop to instruments that show their own numbers. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
