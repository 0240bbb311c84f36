import type { Sequelize } from 'sequelize';

/** How hard somebody plays can stay unsaid at the counter. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query("ALTER TABLE jobs MODIFY touch ENUM('light','medium','heavy') NULL");
}
