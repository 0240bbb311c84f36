import type { Construction } from '../instrument/construction.ts';
import type { OperationId } from '../plan/operations.ts';
import { holds, type Condition } from './condition.ts';

/** The four answers, one key each. */
export const ANSWERS = ['fine', 'watch', 'work', 'na'] as const;
export type Answer = (typeof ANSWERS)[number];

export const ANSWER_FACTS: Readonly<Record<Answer, { readonly name: string; readonly key: string }>> = {
  fine: { name: 'Fine', key: 'f' },
  watch: { name: 'Watch', key: 'w' },
  work: { name: 'Needs work', key: 'n' },
  na: { name: 'Does not apply', key: 'x' },
};

export interface ChecklistItem {
  readonly key: string;
  readonly group: string;
  readonly phase: 'strings-on' | 'strings-off';
  readonly title: string;
  readonly help: string;
  readonly when: Condition;
  /** the operation a *needs work* usually leads to */
  readonly leadsTo?: OperationId;
}

export interface Checklist {
  readonly name: string;
  readonly version: number;
  readonly items: readonly ChecklistItem[];
}

/** The items this instrument is asked about, in order: everything that needs strings first. */
export function itemsFor(checklist: Checklist, construction: Construction): readonly ChecklistItem[] {
  const asked = checklist.items.filter((i) => holds(i.when, construction));
  return [
    ...asked.filter((i) => i.phase === 'strings-on'),
    ...asked.filter((i) => i.phase === 'strings-off'),
  ];
}
