import { toChecklistsFile } from '../../contracts/formats/checklist-items.ts';
import type { ChecklistsFile } from '../../contracts/formats/checklists.ts';
import type { Checklist } from '../../core/inspection/checklist.ts';
import type { Database } from '../db/connection.ts';

/** The newest version of each of the shop's checklists. */
export async function loadChecklists({ models }: Database): Promise<Checklist[]> {
  const rows = await models.ChecklistRow.findAll({
    order: [
      ['list', 'ASC'],
      ['version', 'DESC'],
    ],
  });
  return rows
    .filter((r, i) => rows[i - 1]?.list !== r.list)
    .map((r) => ({ id: r.list, name: r.name, version: r.version, ends: r.ends, items: r.items }));
}

/** Every version of one list, the newest first. */
export async function loadVersions({ models }: Database, list: string): Promise<Checklist[]> {
  const rows = await models.ChecklistRow.findAll({ where: { list }, order: [['version', 'DESC']] });
  return rows.map((r) => ({ id: r.list, name: r.name, version: r.version, ends: r.ends, items: r.items }));
}

/** The shop's checklists in their format. */
export const exportChecklists = async (db: Database): Promise<ChecklistsFile> =>
  toChecklistsFile(await loadChecklists(db));
