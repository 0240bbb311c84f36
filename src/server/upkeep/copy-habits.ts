import { copiesSchema, type CopyHabits } from '../../contracts/copies.ts';
import type { Database } from '../db/connection.ts';
import { saveSetting } from '../house/save-setting.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Keeps when copies are made and how many stay. */
export const saveCopies = defineUseCase({
  name: 'house.save-copies',
  run: (work, { version, copies }) =>
    saveSetting(work, { name: 'copies', what: 'how copies are made', value: copies, version }),
});

/** When copies are made and how many stay, with the setting's version. */
export async function loadCopyHabits({
  models,
}: Pick<Database, 'models'>): Promise<{ readonly copies: CopyHabits; readonly version: number }> {
  const row = await models.Setting.findByPk('copies');
  return { copies: copiesSchema.parse(row?.value ?? {}), version: row?.version ?? 0 };
}
