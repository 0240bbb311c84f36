import type { Sequelize } from 'sequelize';

/** Whether an instrument matters to its owner for its price or for its history, as it was said at the counter; null: not asked. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    "ALTER TABLE jobs ADD COLUMN IF NOT EXISTS matters ENUM('price','history','both','neither') NULL AFTER wish",
  );
}
