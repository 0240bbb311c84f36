import type { Sequelize } from 'sequelize';
import { PLAIN_SETUP } from '../../../core/inspection/lists/plain-setup.ts';

/** Brings a shop that has lists the short one for a plain setup beside them; an empty house gets it with the others. */
export async function up(sequelize: Sequelize): Promise<void> {
  const { id, name, version, ends, items } = PLAIN_SETUP;
  await sequelize.query(
    `INSERT INTO checklists (list, name, version, ends, items)
     SELECT :id, :name, :version, :ends, :items FROM DUAL
     WHERE EXISTS (SELECT 1 FROM checklists) AND NOT EXISTS (SELECT 1 FROM checklists WHERE list = :id)`,
    { replacements: { id, name, version, ends: JSON.stringify(ends), items: JSON.stringify(items) } },
  );
}
