import type { Sequelize } from 'sequelize';

/** A line of an order keeps the operation as it was agreed: what the catalogue says later changes nothing that is under way. */
const STEPS = ['ALTER TABLE work_lines ADD COLUMN record JSON NULL'] as const;

/** Brings a shop to lines that keep their operation; those from before go by the catalogue, as they did. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
