import type { Sequelize } from 'sequelize';

/** Brings a shop to calls that stand among what was written. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query("ALTER TABLE messages MODIFY channel ENUM('mail','text','call') NOT NULL");
}
