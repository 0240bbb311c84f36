import type { Sequelize } from 'sequelize';

/** A thing of the stores may have its own rate of tax. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query('ALTER TABLE stock_items ADD COLUMN tax VARCHAR(20) NULL');
}
