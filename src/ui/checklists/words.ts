import { FACTS } from '../../core/instrument/construction-facts.ts';
import { KIND_NAMES, type Kind } from '../../core/instrument/kinds.ts';
import type { ConditionFact } from '../../core/instrument/condition.ts';
import type { ItemField } from '../../core/inspection/checklist-diff.ts';

export const PHASES = { 'strings-on': 'strings on', 'strings-off': 'strings off' } as const;

/** A fact's value as the shop calls it. */
export function valueName(fact: ConditionFact, value: string): string {
  if (fact === 'kind') return (KIND_NAMES[value as Kind] ?? value).toLowerCase();
  const names: Readonly<Record<string, string>> = FACTS[fact];
  return names[value] ?? value;
}

/** What each part of an item is called on the screen. */
export const FIELD_NAMES: Readonly<Record<ItemField, string>> = {
  title: 'what it asks',
  group: 'group',
  phase: 'phase',
  when: 'when it is asked',
  reading: 'reading',
  help: 'how to look',
  fine: 'what counts as fine',
  caution: 'caution',
  leadsTo: 'what it leads to',
};
