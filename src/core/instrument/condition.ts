import type { Construction } from './construction.ts';

/** The construction facts a checklist item may depend on. */
export const CONDITION_FACTS = [
  'kind',
  'joint',
  'rod',
  'rodNut',
  'bridge',
  'vibrato',
  'nut',
  'electronics',
  'finish',
  'fingerboard',
] as const;
export type ConditionFact = (typeof CONDITION_FACTS)[number];

/** When an item applies: built by choosing, never by typing code. */
export type Condition =
  | { readonly fact: ConditionFact; readonly is: readonly string[] }
  | { readonly fact: ConditionFact; readonly isNot: readonly string[] }
  | { readonly all: readonly Condition[] }
  | { readonly any: readonly Condition[] };

/** What of an instrument conditions go by. */
export type FactsOfConditions = Pick<Construction, ConditionFact>;

/** Whether a condition holds for an instrument. An empty `all` holds, an empty `any` does not. */
export function holds(condition: Condition, construction: FactsOfConditions): boolean {
  if ('all' in condition) return condition.all.every((c) => holds(c, construction));
  if ('any' in condition) return condition.any.some((c) => holds(c, construction));
  const value: string = construction[condition.fact];
  return 'is' in condition ? condition.is.includes(value) : !condition.isNot.includes(value);
}

const FACT_WORDS: Readonly<Record<ConditionFact, string>> = {
  kind: 'kind',
  joint: 'neck joint',
  rod: 'truss rod',
  rodNut: 'rod nut',
  bridge: 'bridge',
  vibrato: 'vibrato',
  nut: 'nut',
  electronics: 'electronics',
  finish: 'finish',
  fingerboard: 'fingerboard',
};

/**
 * Says a condition in words.
 * @param valueName the shop's name of a fact's value
 * @example { fact: 'vibrato', isNot: ['none'] } → “vibrato is not none”
 */
export function conditionWords(
  condition: Condition,
  valueName: (fact: ConditionFact, value: string) => string = (_, v) => v,
): string {
  if ('all' in condition || 'any' in condition) {
    const parts = 'all' in condition ? condition.all : condition.any;
    if (parts.length === 0) return 'all' in condition ? 'always' : 'never';
    const said = parts.map((p) => conditionWords(p, valueName));
    return parts.length === 1 ? (said[0] ?? '') : `(${said.join('all' in condition ? ' and ' : ' or ')})`;
  }
  const { fact } = condition;
  const values = 'is' in condition ? condition.is : condition.isNot;
  return `${FACT_WORDS[fact]} is ${'is' in condition ? '' : 'not '}${values.map((v) => valueName(fact, v)).join(' or ')}`;
}
