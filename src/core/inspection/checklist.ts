import type { Construction } from '../instrument/construction.ts';
import type { Quantity } from '../readings/quantities.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import { holds, type Condition } from '../instrument/condition.ts';

/** The four answers, one key each, and passing an item by: skipped is not the same as not applying. */
export const ANSWERS = ['fine', 'watch', 'work', 'na', 'skipped'] as const;
export type Answer = (typeof ANSWERS)[number];

export const ANSWER_FACTS: Readonly<Record<Answer, { readonly name: string; readonly key: string }>> = {
  fine: { name: 'Fine', key: 'f' },
  watch: { name: 'Watch', key: 'w' },
  work: { name: 'Needs work', key: 'n' },
  na: { name: 'Does not apply', key: 'x' },
  skipped: { name: 'Skipped', key: 's' },
};

/** Whether an answer says that somebody looked. */
export const isLookedAt = (answer: Answer | null): boolean => answer !== null && answer !== 'skipped';

export interface ChecklistItem {
  readonly key: string;
  readonly group: string;
  readonly phase: 'strings-on' | 'strings-off';
  readonly title: string;
  readonly help: string;
  readonly when: Condition;
  /** the reading it takes, entered without leaving the item */
  readonly reading?: Quantity;
  /** what counts as fine */
  readonly fine?: string;
  /** a short caution, deferring to safety sheet and law */
  readonly caution?: string;
  /** the operation a *needs work* usually leads to */
  readonly leadsTo?: OperationId;
}

export interface Checklist {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  /** the words one of which ends the inspection; none where it simply ends */
  readonly ends: readonly string[];
  readonly items: readonly ChecklistItem[];
}

/** The items this instrument is asked about, in order: everything that needs strings first. */
export function itemsFor(
  checklist: Pick<Checklist, 'items'>,
  construction: Construction,
): readonly ChecklistItem[] {
  const asked = checklist.items.filter((i) => holds(i.when, construction));
  return [
    ...asked.filter((i) => i.phase === 'strings-on'),
    ...asked.filter((i) => i.phase === 'strings-off'),
  ];
}
