import type { Sequelize } from 'sequelize';

/** Who pays for the set that an instrument without strings needs before it can be judged, as agreed at the counter; null: nobody said. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    "ALTER TABLE jobs ADD COLUMN IF NOT EXISTS set_paid_by ENUM('customer','shop') NULL AFTER matters",
  );
}
