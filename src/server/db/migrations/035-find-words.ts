import type { Sequelize } from 'sequelize';

/** Words are found where they stand: names, instruments, what was said at the counter, what was found. */
const STEPS = [
  'ALTER TABLE customers ADD FULLTEXT INDEX customers_words (name)',
  'ALTER TABLE instruments ADD FULLTEXT INDEX instruments_words (maker, model, serial)',
  'ALTER TABLE jobs ADD FULLTEXT INDEX jobs_words (complaint)',
  'ALTER TABLE inspection_answers ADD FULLTEXT INDEX answers_words (note)',
] as const;

/** Brings a shop to words that are found at once, however many jobs there are. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
