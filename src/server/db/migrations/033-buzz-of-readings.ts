import type { Sequelize } from 'sequelize';

/** How much the pluck that was kept with a reading buzzed, 0 to 1, so that before and after can be compared. */
const STEPS = ['ALTER TABLE readings ADD COLUMN buzz DECIMAL(4,3) NULL'] as const;

/** Brings a shop to readings that know how much they buzzed. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
