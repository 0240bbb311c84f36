import type { Sequelize } from 'sequelize';

/** Brings a shop to strings put on one by one, and to what broke. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    "ALTER TABLE string_changes ADD COLUMN new_ones JSON NULL, ADD COLUMN broke JSON NULL, ADD COLUMN broke_note VARCHAR(200) NOT NULL DEFAULT ''",
  );
}
