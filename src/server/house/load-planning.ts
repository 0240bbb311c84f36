import { planRulesSchema } from '../../contracts/plan-rules.ts';
import type { PlanRules } from '../../core/plan/plan-rules.ts';
import type { Database } from '../db/connection.ts';

/** How the shop plans, out of its settings; what ships where it has said nothing. */
export const planningOf = (
  settings: readonly { readonly name: string; readonly value: unknown }[],
): PlanRules => planRulesSchema.parse(settings.find((s) => s.name === 'planning rules')?.value ?? {});

/** The same, asked of the database, with the setting's version. */
export async function loadPlanning({ models }: Pick<Database, 'models'>) {
  const row = await models.Setting.findByPk('planning rules');
  return { rules: planningOf(row ? [row] : []), version: row?.version ?? 0 };
}
