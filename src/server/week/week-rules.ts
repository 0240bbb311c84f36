import { weekRulesSchema, type WeekRules } from '../../contracts/week-rules.ts';
import type { Database } from '../db/connection.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { saveSetting } from '../house/save-setting.ts';

/** How the shop plans its week, with its version. */
export async function loadWeekRules({
  models,
}: Pick<Database, 'models'>): Promise<{ readonly rules: WeekRules; readonly version: number }> {
  const row = await models.Setting.findByPk('week');
  return { rules: weekRulesSchema.parse(row?.value ?? {}), version: row?.version ?? 0 };
}

/** Keeps it. */
export const saveWeekRules = defineUseCase({
  name: 'house.save-week',
  run: (work, { version, rules }) =>
    saveSetting(work, { name: 'week', what: 'how the week is planned', value: rules, version }),
});
