import { REPAIR_OPERATIONS } from './catalogue-repair.ts';
import { SETUP_OPERATIONS } from './catalogue-setup.ts';
import type { Operation } from './operation.ts';
import type { OperationId } from './operation-ids.ts';

/** The shop's catalogue as shipped, in the order of the work. */
export const OPERATIONS: readonly Operation[] = [...SETUP_OPERATIONS, ...REPAIR_OPERATIONS].sort(
  (a, b) => a.order - b.order,
);

/** An operation of the catalogue by its id. */
export function operation(id: OperationId): Operation {
  const found = OPERATIONS.find((o) => o.id === id);
  if (!found) throw new RangeError(`no operation ${id}`);
  return found;
}
