import { REPAIR_OPERATIONS } from './catalogue-repair.ts';
import { SETUP_OPERATIONS } from './catalogue-setup.ts';
import { op, type Operation } from './operation.ts';
import type { OperationId } from './operation-ids.ts';

/** The shop's catalogue as shipped, in the order of the work. */
export const OPERATIONS: readonly Operation[] = [...SETUP_OPERATIONS, ...REPAIR_OPERATIONS].sort(
  (a, b) => a.order - b.order,
);

/**
 * An operation by its id: as the shop has it, or as it ships where the shop does not offer it any more. Of one of the shop's own
 * that is gone only its name is known.
 */
export function operation(id: OperationId, catalogue: readonly Operation[] = OPERATIONS): Operation {
  const found = catalogue.find((o) => o.id === id) ?? OPERATIONS.find((o) => o.id === id);
  if (found) return found;
  if (id.startsWith('own-')) return op(id, id.slice(4).replace(/-/g, ' '), 75, [0, 0, 0], 0);
  throw new RangeError(`no operation ${id}`);
}

/** The operation of a line of an order as it was agreed; the catalogue's for one from before that was kept. */
export const agreedOperation = (
  line: { readonly operation: OperationId; readonly record?: Operation | null | undefined },
  catalogue: readonly Operation[],
): Operation => line.record ?? operation(line.operation, catalogue);

/** A circle among what operations need first, or null: the ids along it, the first one again at the end. */
export function circleIn(
  catalogue: readonly Pick<Operation, 'id' | 'needs'>[],
): readonly OperationId[] | null {
  const needs = new Map(catalogue.map((o) => [o.id, o.needs]));
  const done = new Set<OperationId>();
  const walk = (id: OperationId, path: readonly OperationId[]): readonly OperationId[] | null => {
    const at = path.indexOf(id);
    if (at >= 0) return [...path.slice(at), id];
    if (done.has(id)) return null;
    for (const next of needs.get(id) ?? []) {
      const circle = walk(next, [...path, id]);
      if (circle) return circle;
    }
    done.add(id);
    return null;
  };
  for (const { id } of catalogue) {
    const circle = walk(id, []);
    if (circle) return circle;
  }
  return null;
}
