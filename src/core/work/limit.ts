import type { Taxing } from '../money/tax.ts';
import { total, type Discount, type PricedLine } from '../money/money.ts';
import { type Minor } from '../money/minor.ts';

interface Answered extends PricedLine {
  readonly approval: 'asked' | 'yes' | 'no';
}

/**
 * Whether something found may go on without asking: the customer named a limit, and all that is agreed, all that is asked
 * already and this come to no more. Over the limit always asks; without a limit too. Minor units, tax included.
 */
export function withinLimit(
  lines: readonly Answered[],
  found: PricedLine,
  limit: Minor | null,
  taxing: Taxing,
  discount: Discount,
): boolean {
  if (limit === null) return false;
  const all = [...lines.filter((l) => l.approval !== 'no'), found];
  return total(all, taxing, discount).toPay <= limit;
}
