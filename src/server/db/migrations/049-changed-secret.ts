import type { Sequelize } from 'sequelize';

/** The ledger says where the house's secret was changed. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    "ALTER TABLE seal_ledger MODIFY kind ENUM('seal','before','withdrawn','elsewhere','log','secret') NOT NULL",
  );
}
