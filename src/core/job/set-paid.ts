import type { Operation } from '../catalogue/operation.ts';
import { bringsSet } from '../catalogue/operations.ts';
import type { SetPayer } from './set-payer.ts';

/** Why a line’s set costs nothing. */
export const SHOP_PAYS_SET = 'the shop pays for this set';

/** A line as far as its set goes. */
interface StrungLine {
  readonly approval: 'asked' | 'yes' | 'no';
  readonly op: Pick<Operation, 'strings' | 'takesFrom' | 'parts'>;
}

/** What the parts of an operation cost on a job, minor units, and why that is not the catalogue’s price. */
export interface PartsPrice {
  readonly parts: Operation['parts'];
  readonly reason: string;
}

/**
 * What the parts of an operation cost on a job: the first set that goes on costs nothing where the shop pays for it.
 * @param others the other lines of the order
 */
export const partsFor = (
  op: StrungLine['op'],
  payer: SetPayer | null,
  others: readonly StrungLine[],
): PartsPrice =>
  payer === 'shop' && bringsSet(op) && !others.some((l) => l.approval !== 'no' && bringsSet(l.op))
    ? { parts: 0, reason: SHOP_PAYS_SET }
    : { parts: op.parts, reason: '' };

/** Catalogues in which a set costs nothing, by the one they were made from: the same again is the same object. */
const free = new WeakMap<readonly Operation[], readonly Operation[]>();

/** A catalogue as it is priced for what may come on a job’s order yet: no set costs anything while the shop pays for the first. */
export function pricedCatalogue(
  catalogue: readonly Operation[],
  payer: SetPayer | null,
  lines: readonly StrungLine[],
): readonly Operation[] {
  const first = catalogue.find(bringsSet);
  if (!first || partsFor(first, payer, lines).reason === '') return catalogue;
  const made = free.get(catalogue) ?? catalogue.map((op) => (bringsSet(op) ? { ...op, parts: 0 } : op));
  free.set(catalogue, made);
  return made;
}
