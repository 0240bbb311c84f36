import { habitsSchema, type ShopHabits } from '../../contracts/habits.ts';
import type { Database } from '../db/connection.ts';

/** The shop's habits out of its settings; what ships where it has said nothing. */
export const habitsOf = (
  settings: readonly { readonly name: string; readonly value: unknown }[],
): ShopHabits => habitsSchema.parse(settings.find((s) => s.name === 'reading habits')?.value ?? {});

/** The same, asked of the database, with the setting's version. */
export async function loadHabits({ models }: Pick<Database, 'models'>) {
  const row = await models.Setting.findByPk('reading habits');
  return { habits: habitsOf(row ? [row] : []), version: row?.version ?? 0 };
}
