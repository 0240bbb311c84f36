import {
  allNeeds,
  onOrder,
  shippedPlace,
  STRINGS_OFF,
  type NeedsOf,
  type OrderLine as Line,
  type PlaceOf,
} from '../catalogue/order-of-work.ts';

/** A line of a work order where it is moved. */
export interface OrderLine extends Line {
  readonly title: string;
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
  const on = onOrder(ordered);
  const before = allNeeds(line.operation, needs, on);
  let [first, last] = [at, at];
  const needed = (o: OrderLine) => o.operation !== line.operation && before.has(o.operation);
  const needing = (o: OrderLine) =>
    o.operation !== line.operation && allNeeds(o.operation, needs, on).has(line.operation);
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
  usual: PlaceOf = shippedPlace,
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
    if (l.operation === STRINGS_OFF && last === usual(STRINGS_OFF)) last++;
    return { id: l.id, sort: last };
  });
}
