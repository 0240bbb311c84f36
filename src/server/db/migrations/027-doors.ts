import type { Sequelize } from 'sequelize';

/** Brings a shop to sessions that end when nobody uses them, and to wrong PINs that are counted with their time. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query('ALTER TABLE sessions ADD COLUMN used_at DATETIME(3) NULL');
  await sequelize.query('ALTER TABLE pin_troubles ADD COLUMN failed_at DATETIME(3) NULL');
}
