import type { Sequelize } from 'sequelize';

/** Which set a round is read with, and how old its strings are; empty and null where nobody said. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    `ALTER TABLE rounds ADD COLUMN IF NOT EXISTS set_on VARCHAR(120) NOT NULL DEFAULT '' AFTER tuning,
      ADD COLUMN IF NOT EXISTS set_age ENUM('new','played','old') NULL AFTER set_on`,
  );
}
