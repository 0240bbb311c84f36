import type { Sequelize } from 'sequelize';

/** A noise that is hunted on a job: its trail stays for the next person. */
const STEPS = ['ALTER TABLE jobs ADD COLUMN hunt JSON NULL'] as const;

/** Brings a shop to jobs that keep their hunt. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
