import type { OperationId } from '../catalogue/operation-ids.ts';
import { operation } from '../catalogue/operations.ts';

/** A line of a work order as the order of the work sees it. */
export interface OrderLine {
  readonly id: number;
  readonly operation: OperationId;
  readonly title: string;
  /** where it stands; equal places go by id */
  readonly sort: number;
}

/** What an operation needs done before it, where both are on the order. */
export type NeedsOf = (operation: OperationId) => readonly OperationId[];

/** What must stand before a line, of those on the order: by all that leads there, also over steps that are not on it. */
function allNeeds(operation: OperationId, needs: NeedsOf, seen = new Set<OperationId>()): Set<OperationId> {
  for (const n of needs(operation)) {
    if (seen.has(n)) continue;
    seen.add(n);
    allNeeds(n, needs, seen);
  }
  return seen;
}

const STRINGS_OFF = 'strings-off';
/** Where the strings come off as long as nobody moved that line. */
const USUAL_PLACE = operation(STRINGS_OFF).order;

/**
 * The lines in their order: by their places, but none before one that it needs. The rod is set under tension: strings come off just
 * before what cannot be done with them on, as in a plan, unless somebody moved that line.
 * @example the saddle placed before the rod it needs → rod, saddle
 */
export function inWorkOrder<L extends OrderLine>(lines: readonly L[], needs: NeedsOf): L[] {
  const bare = lines.filter((l) => needs(l.operation).includes(STRINGS_OFF)).map((l) => l.sort);
  const placeOf = (l: L): number =>
    l.operation === STRINGS_OFF && l.sort === USUAL_PLACE && bare.length > 0
      ? Math.max(l.sort, Math.min(...bare) - 0.5)
      : l.sort;
  const left = [...lines].sort((a, b) => placeOf(a) - placeOf(b) || a.id - b.id);
  const done: L[] = [];
  while (left.length > 0) {
    const free = left.findIndex((l) => {
      const before = allNeeds(l.operation, needs);
      return !left.some((o) => o !== l && o.operation !== l.operation && before.has(o.operation));
    });
    done.push(...left.splice(Math.max(0, free), 1));
  }
  return done;
}

/** How far a line may be moved: first and last place, counted from 0, that its needs and those that need it allow. */
export function rangeOf(
  ordered: readonly OrderLine[],
  id: number,
  needs: NeedsOf,
): { readonly first: number; readonly last: number } {
  const at = ordered.findIndex((l) => l.id === id);
  const line = ordered[at];
  if (!line) return { first: 0, last: -1 };
  const before = allNeeds(line.operation, needs);
  let [first, last] = [at, at];
  const needed = (o: OrderLine) => o.operation !== line.operation && before.has(o.operation);
  const needing = (o: OrderLine) =>
    o.operation !== line.operation && allNeeds(o.operation, needs).has(line.operation);
  for (let i = at - 1; i >= 0 && !needed(ordered[i] as OrderLine); i--) first = i;
  for (let i = at + 1; i < ordered.length && !needing(ordered[i] as OrderLine); i++) last = i;
  return { first, last };
}

/** Why a line may not stand at a place, or null: it needs another one first, or another one needs it. */
export function whyNotAt(
  ordered: readonly OrderLine[],
  id: number,
  to: number,
  needs: NeedsOf,
): string | null {
  const { first, last } = rangeOf(ordered, id, needs);
  const line = ordered.find((l) => l.id === id);
  if (!line || to < 0 || to >= ordered.length) return 'There is no such place on the order.';
  if (to < first) return `“${line.title}” needs “${ordered[first - 1]?.title ?? ''}” first.`;
  if (to > last) return `“${ordered[last + 1]?.title ?? ''}” needs “${line.title}” first.`;
  return null;
}

/** The places of all lines after one was moved: the same places as before, given out in the new order. */
export function placesAfter(
  ordered: readonly OrderLine[],
  id: number,
  to: number,
): { readonly id: number; readonly sort: number }[] {
  const line = ordered.find((l) => l.id === id);
  if (!line) return [];
  const rest = ordered.filter((l) => l.id !== id);
  const moved = [...rest.slice(0, to), line, ...rest.slice(to)];
  const places = ordered.map((l) => l.sort).sort((a, b) => a - b);
  let last = -Infinity;
  return moved.map((l, i) => {
    last = Math.max(places[i] ?? 0, last + 1);
    // What somebody put at its usual place stays there too.
    if (l.operation === STRINGS_OFF && last === USUAL_PLACE) last++;
    return { id: l.id, sort: last };
  });
}
