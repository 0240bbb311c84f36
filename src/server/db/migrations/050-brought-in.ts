import { QueryTypes, type Sequelize } from 'sequelize';

/**
 * What a file brought in is known by the command that brought it, so that it can be taken out again. The log stays as it is: it may
 * tell of a job that is gone.
 */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    `CREATE TABLE IF NOT EXISTS brought_in (
      entity ENUM('job','instrument','customer','checklist') NOT NULL,
      entity_id INT UNSIGNED NOT NULL,
      command_id CHAR(36) NOT NULL,
      PRIMARY KEY (entity, entity_id),
      KEY brought_in_by (command_id)) ENGINE=InnoDB`,
  );
  const keys = await sequelize.query<{ name: string }>(
    `SELECT CONSTRAINT_NAME AS name FROM information_schema.KEY_COLUMN_USAGE
     WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = 'events' AND REFERENCED_TABLE_NAME = 'jobs'`,
    { type: QueryTypes.SELECT },
  );
  for (const { name } of keys) await sequelize.query(`ALTER TABLE events DROP FOREIGN KEY \`${name}\``);
}
