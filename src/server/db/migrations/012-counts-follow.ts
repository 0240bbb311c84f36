import type { Sequelize } from 'sequelize';

/**
 * What a job's leaves are judged by is counted after the change that moved it, not in it: how many such changes there were, and
 * up to which of them the kept counts hold.
 */
const STEPS = [
  `ALTER TABLE jobs ADD COLUMN changes INT UNSIGNED NOT NULL DEFAULT 0,
     ADD COLUMN counted INT UNSIGNED NOT NULL DEFAULT 0`,
] as const;

/** Brings a shop to counts that follow their changes. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
