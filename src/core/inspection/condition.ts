import type { Construction } from '../instrument/construction.ts';

/** A construction fact a checklist item may depend on. */
export type ConditionFact =
  | 'kind'
  | 'joint'
  | 'rod'
  | 'rodNut'
  | 'bridge'
  | 'vibrato'
  | 'nut'
  | 'electronics'
  | 'finish'
  | 'fingerboard';

/** When an item applies: built by choosing, never by typing code. */
export type Condition =
  | { readonly fact: ConditionFact; readonly is: readonly string[] }
  | { readonly fact: ConditionFact; readonly isNot: readonly string[] }
  | { readonly all: readonly Condition[] }
  | { readonly any: readonly Condition[] };

/** Whether a condition holds for an instrument. An empty `all` holds, an empty `any` does not. */
export function holds(condition: Condition, construction: Construction): boolean {
  if ('all' in condition) return condition.all.every((c) => holds(c, construction));
  if ('any' in condition) return condition.any.some((c) => holds(c, construction));
  const value: string = construction[condition.fact];
  return 'is' in condition ? condition.is.includes(value) : !condition.isNot.includes(value);
}
