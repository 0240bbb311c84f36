import type { Operation } from '../catalogue/operation.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import { operation } from '../catalogue/operations.ts';
import type { NeedsOf, PlaceOf } from '../catalogue/order-of-work.ts';
import type { Construction } from '../instrument/construction.ts';

/** What the order of a job's work goes by. */
export interface OrderRules {
  readonly needs: NeedsOf;
  readonly usual: PlaceOf;
}

const UNREACHABLE = { item: 'rod-reach', finding: 'unreachable' } as const;

/**
 * Whether the rod is reached only with the neck off.
 * @param rodNut where its nut is; null where nobody said
 * @param found what needs work
 */
export const isNeckFirst = (
  rodNut: Construction['rodNut'] | null,
  found: readonly { readonly item: string; readonly finding?: string | null | undefined }[],
): boolean =>
  rodNut === 'heel' ||
  found.some(
    (f) => f.item === UNREACHABLE.item && (f.finding ?? UNREACHABLE.finding) === UNREACHABLE.finding,
  );

/**
 * What the order of a job's work goes by: of each operation what was agreed, of one that is not on the order what the shop has.
 * @param neckFirst whether the rod is reached only with the neck off
 */
export function orderRules(
  agreed: Iterable<Operation>,
  catalogue: readonly Operation[],
  neckFirst: boolean,
): OrderRules {
  const own = new Map([...agreed].map((o) => [o.id, o]));
  const of = (id: OperationId): Operation => own.get(id) ?? operation(id, catalogue);
  return {
    needs: (id) => (id === 'rod' && neckFirst ? [...of(id).needs, 'neck-off'] : of(id).needs),
    usual: (id) => of(id).order,
  };
}
