import type { Sequelize } from 'sequelize';

/** What was heard where a job's player played: it fits the hand its clearance is worked out for. */
const STEPS = ['ALTER TABLE jobs ADD COLUMN heard JSON NULL'] as const;

/** Brings a shop to jobs that keep what was heard. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
