import type { OperationId } from './operation-ids.ts';
import { operation } from './operations.ts';

/** Something to be done, as the order of the work sees it. */
export interface OrderLine {
  readonly id: number;
  readonly operation: OperationId;
  /** where it stands; equal places go by id */
  readonly sort: number;
  readonly step?: string | undefined;
}

/** What an operation needs done before it, where both are on the order. */
export type NeedsOf = (operation: OperationId) => readonly OperationId[];

/** Where an operation stands as long as nobody moved it. */
export type PlaceOf = (operation: OperationId) => number;

/** By the catalogue as it ships. */
export const shippedPlace: PlaceOf = (id) => operation(id).order;
const shippedNeeds: NeedsOf = (id) => operation(id).needs;

export const STRINGS_OFF = 'strings-off';

/**
 * What must stand before an operation, of those on the order: by all that leads there, also over what is not on it. Only the strings come
 * off for nothing that is not done.
 * @param on what is on the order
 */
export function allNeeds(
  operation: OperationId,
  needs: NeedsOf,
  on: ReadonlySet<OperationId>,
  seen = new Set<OperationId>(),
): Set<OperationId> {
  for (const n of needs(operation)) {
    if (seen.has(n) || (n === STRINGS_OFF && !on.has(operation))) continue;
    seen.add(n);
    allNeeds(n, needs, on, seen);
  }
  return seen;
}

/** The operations on an order. */
export const onOrder = (lines: readonly Pick<OrderLine, 'operation'>[]): ReadonlySet<OperationId> =>
  new Set(lines.map((l) => l.operation));

/**
 * Where the strings come off, as long as nobody moved that: just before what cannot be done with them on, and after the rod, which is
 * set under tension, unless it comes after something that is done with them off.
 */
function whereTheyComeOff(
  lines: readonly OrderLine[],
  needs: NeedsOf,
  usual: PlaceOf,
): ((l: OrderLine) => number) | null {
  const off = lines.find((l) => l.operation === STRINGS_OFF);
  const bare = lines.filter((l) => needs(l.operation).includes(STRINGS_OFF));
  if (!off || off.sort !== usual(STRINGS_OFF) || bare.length === 0) return null;
  const on = onOrder(lines);
  // A catalogue kept before that was known says nothing of it.
  const before = new Set([...allNeeds('rod', needs, on), ...allNeeds('rod', shippedNeeds, on)]);
  // Once they are off, what is done without them comes before a rod that is still to be set.
  const rods = lines.filter(
    (l) =>
      l.operation === 'rod' && l.sort === usual('rod') && (off.step !== 'finished' || l.step === 'finished'),
  );
  const isFirst = !bare.some((l) => before.has(l.operation));
  const after = isFirst ? rods.map((l) => l.sort + 0.5) : [];
  const at = Math.max(off.sort, Math.min(...bare.map((l) => l.sort)) - 0.5, ...after);
  return (l) => (l.operation === STRINGS_OFF ? at : l.sort);
}

/**
 * The lines in their order: by their places, but none before one that it needs.
 * @example the saddle placed before the rod it needs → rod, saddle
 */
export function inWorkOrder<L extends OrderLine>(
  lines: readonly L[],
  needs: NeedsOf,
  usual: PlaceOf = shippedPlace,
): L[] {
  const placeOf = whereTheyComeOff(lines, needs, usual) ?? ((l: OrderLine) => l.sort);
  const on = onOrder(lines);
  const left = [...lines].sort((a, b) => placeOf(a) - placeOf(b) || a.id - b.id);
  const done: L[] = [];
  while (left.length > 0) {
    const free = left.findIndex((l) => {
      const before = allNeeds(l.operation, needs, on);
      return !left.some((o) => o !== l && o.operation !== l.operation && before.has(o.operation));
    });
    done.push(...left.splice(Math.max(0, free), 1));
  }
  return done;
}
