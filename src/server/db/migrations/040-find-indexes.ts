import type { Sequelize } from 'sequelize';

/** What a long list of jobs is narrowed by stands in an index. */
const STEPS = ['ALTER TABLE instruments ADD INDEX instruments_by_kind (kind)'] as const;

/** Brings a shop to long lists that come at once. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
