import { FIRST_STEPS, type FirstDay, type FirstStep } from '../../core/people/first-day.ts';
import type { Database } from '../db/connection.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { saveSetting } from './save-setting.ts';

const isStep = (v: unknown): v is FirstStep => FIRST_STEPS.some((s) => s.key === v);

/** Where the shop is on its first day; null where it never had one or has put it away. */
export async function loadFirstDay({
  models,
}: Pick<Database, 'models'>): Promise<(FirstDay & { readonly version: number }) | null> {
  const row = await models.Setting.findByPk('first day');
  if (!row) return null;
  const { done, closed } = row.value as { readonly done?: unknown; readonly closed?: unknown };
  const steps = Array.isArray(done) ? done.filter(isStep) : [];
  return { done: steps, closed: closed === true, version: row.version };
}

/** Says which steps of a shop's first day are done, and whether the path is put away. */
export const saveFirstDay = defineUseCase({
  name: 'house.first-day',
  run: (work, { version, done, closed }) =>
    saveSetting(work, { name: 'first day', what: 'the first day', value: { done, closed }, version }),
});
