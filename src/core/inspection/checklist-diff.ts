import type { Checklist, ChecklistItem } from './checklist.ts';

/** What of a list is compared. */
export type ComparedList = Pick<Checklist, 'name' | 'ends' | 'items'>;

export const ITEM_FIELDS = [
  'title',
  'group',
  'phase',
  'when',
  'reading',
  'help',
  'fine',
  'caution',
  'leadsTo',
] as const;
export type ItemField = (typeof ITEM_FIELDS)[number];

/** What changed between two versions of a list. Items are known by their keys. */
export interface ChecklistDiff {
  readonly added: readonly ChecklistItem[];
  readonly removed: readonly ChecklistItem[];
  /** stood elsewhere among the items that are in both */
  readonly moved: readonly ChecklistItem[];
  readonly changed: ReadonlyArray<{
    readonly before: ChecklistItem;
    readonly after: ChecklistItem;
    readonly fields: readonly ItemField[];
  }>;
  readonly renamed: boolean;
  readonly endsChanged: boolean;
}

const asText = (value: unknown): string => JSON.stringify(value ?? null) ?? 'null';

/**
 * Positions that need not move: a longest run of growing numbers.
 * @example [2, 0, 1] → the positions of 0 and 1
 */
function steady(order: readonly number[]): ReadonlySet<number> {
  const best = order.map(() => 1);
  const from = order.map(() => -1);
  order.forEach((v, i) => {
    for (let j = 0; j < i; j++) {
      if ((order[j] ?? 0) < v && (best[j] ?? 0) + 1 > (best[i] ?? 0)) {
        best[i] = (best[j] ?? 0) + 1;
        from[i] = j;
      }
    }
  });
  const kept = new Set<number>();
  for (let i = best.indexOf(Math.max(...best)); i >= 0; i = from[i] ?? -1) kept.add(i);
  return kept;
}

/** Says what would have to be done to the first list to get the second: fewest moves. */
export function diffChecklists(before: ComparedList, after: ComparedList): ChecklistDiff {
  const old = new Map(before.items.map((item, at) => [item.key, { item, at }]));
  const now = new Set(after.items.map((i) => i.key));
  const both = after.items.filter((i) => old.has(i.key));
  const kept = steady(both.map((i) => old.get(i.key)?.at ?? 0));
  const changed = both.flatMap((item) => {
    const was = old.get(item.key)?.item ?? item;
    const fields = ITEM_FIELDS.filter((f) => asText(was[f]) !== asText(item[f]));
    return fields.length > 0 ? [{ before: was, after: item, fields }] : [];
  });
  return {
    added: after.items.filter((i) => !old.has(i.key)),
    removed: before.items.filter((i) => !now.has(i.key)),
    moved: both.filter((_, i) => !kept.has(i)),
    changed,
    renamed: before.name !== after.name,
    endsChanged: asText(before.ends) !== asText(after.ends),
  };
}

/** Whether nothing differs. */
export const isSame = (d: ChecklistDiff): boolean =>
  !d.renamed && !d.endsChanged && [d.added, d.removed, d.moved, d.changed].every((list) => list.length === 0);
