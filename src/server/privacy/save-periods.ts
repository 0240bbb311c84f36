import { periodsSchema } from '../../contracts/periods.ts';
import type { Periods } from '../../core/privacy/periods.ts';
import type { Database } from '../db/connection.ts';
import { saveSetting } from '../house/save-setting.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Keeps how long what is kept. */
export const savePeriods = defineUseCase({
  name: 'house.save-periods',
  run: (work, { version, periods }) =>
    saveSetting(work, { name: 'periods', what: 'how long what is kept', value: periods, version }),
});

/** How long the shop keeps what, with the setting’s version. */
export async function loadPeriods({
  models,
}: Pick<Database, 'models'>): Promise<{ readonly periods: Periods; readonly version: number }> {
  const row = await models.Setting.findByPk('periods');
  return { periods: periodsSchema.parse(row?.value ?? {}), version: row?.version ?? 0 };
}
