import { openingSchema } from '../../contracts/opening.ts';
import type { Opening } from '../../core/days/opening.ts';
import type { Database } from '../db/connection.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { saveSetting } from './save-setting.ts';

/** When the shop is open, out of its settings; every day where nobody has said. */
export const openingOf = (settings: readonly { readonly name: string; readonly value: unknown }[]): Opening =>
  openingSchema.parse(settings.find((s) => s.name === 'opening')?.value ?? {});

/** The same with its version, asked of the database. */
export async function loadOpening({
  models,
}: Pick<Database, 'models'>): Promise<{ readonly opening: Opening; readonly version: number }> {
  const row = await models.Setting.findByPk('opening');
  return { opening: openingOf(row ? [row] : []), version: row?.version ?? 0 };
}

/** Keeps when the shop is open; closed days in the order they come. */
export const saveOpening = defineUseCase({
  name: 'house.save-opening',
  run: (work, { version, opening }) =>
    saveSetting(work, {
      name: 'opening',
      what: 'the opening hours',
      value: { ...opening, closed: [...opening.closed].sort((a, b) => (a.from < b.from ? -1 : 1)) },
      version,
    }),
});
