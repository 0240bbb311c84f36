import type { Taxing } from '../money/tax.ts';
import { total, totalRange, type Discount, type PricedLine, type RangedLine } from '../money/money.ts';
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

interface Ordered extends Answered, Omit<RangedLine, 'settled'> {
  readonly step: string;
}

/** How an order stands against the limit its customer named. Minor units, tax included. */
export interface LimitStand {
  readonly limit: Minor;
  /** `near`: less than a seventh is left; `may pass`: inside as estimated, over it if the work takes long */
  readonly stands: 'inside' | 'near' | 'may pass' | 'asked over' | 'over';
  /** what of the limit is left beside what is agreed and asked; below nought where it is passed */
  readonly left: Minor;
  /** what is agreed may come to at most */
  readonly most: Minor;
}

/** So much of a limit left is near it. */
const NEAR = 1 / 7;

/**
 * How an order stands against the limit: what is agreed, what is asked besides, and how it may turn out. Null without a limit.
 * @param planned what would be put on the order next
 */
export function limitStand(
  lines: readonly Ordered[],
  limit: Minor | null,
  taxing: Taxing,
  discount: Discount,
  planned: readonly PricedLine[] = [],
): LimitStand | null {
  if (limit === null) return null;
  const agreed = lines.filter((l) => l.approval === 'yes');
  const sum = (some: readonly PricedLine[]) => total(some, taxing, discount).toPay;
  const all = sum([...lines.filter((l) => l.approval !== 'no'), ...planned]);
  const ranged = agreed.map((l) => ({ ...l, settled: l.step === 'finished' }));
  const most = totalRange(ranged, taxing, discount).high;
  const left = limit - all;
  const stands =
    sum(agreed) > limit
      ? 'over'
      : left < 0
        ? 'asked over'
        : most > limit
          ? 'may pass'
          : left < limit * NEAR
            ? 'near'
            : 'inside';
  return { limit, stands, left, most };
}

/**
 * How it stands against the limit, as one sentence.
 * @param money how an amount is said
 */
export function sayLimit({ limit, stands, left, most }: LimitStand, money: (minor: Minor) => string): string {
  const of = `the limit of ${money(limit)}`;
  if (stands === 'over') return `Over ${of}: ask the customer.`;
  if (stands === 'asked over') return `With what is asked it passes ${of} by ${money(-left)}: say so.`;
  if (stands === 'may pass')
    return `It may turn out up to ${money(most)}, over ${of}: say so before it does.`;
  return stands === 'near' ? `Near ${of}: ${money(left)} left.` : `Inside ${of}: ${money(left)} left.`;
}
