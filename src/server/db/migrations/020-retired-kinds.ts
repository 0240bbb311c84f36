import type { Sequelize } from 'sequelize';

/** Brings a shop to kinds of its own that are no longer offered. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query('ALTER TABLE kinds ADD COLUMN retired BOOLEAN NOT NULL DEFAULT FALSE');
}
