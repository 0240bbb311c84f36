import type { Database } from '../db/connection.ts';

/** The newest version of each of the shop's checklists. */
export async function loadChecklists({ models }: Database) {
  const rows = await models.ChecklistRow.findAll({
    order: [
      ['list', 'ASC'],
      ['version', 'DESC'],
    ],
  });
  return rows
    .filter((r, i) => rows[i - 1]?.list !== r.list)
    .map((r) => ({ id: r.id, name: r.name, version: r.version, ends: r.ends, items: r.items }));
}
