import type { Operation } from '../catalogue/operation.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import type { Minor } from '../money/minor.ts';
import { withTax, type Taxing } from '../money/tax.ts';
import { costOf, daysOf, inOrder } from './solve/cost.ts';
import type { Plan } from './solve/plans.ts';

/** An option’s name in an offer: one of the plans, or one written by hand. */
export type OptionId = Plan['id'] | `own-${number}`;

/** An option written by hand: what is done, a sentence more, what it leaves. */
export interface OwnOption {
  readonly name: string;
  readonly operations: readonly OperationId[];
  readonly says: string;
  /** what it leaves as it is, one a line */
  readonly left: string;
}

/** One option as the customer reads it. Money in minor units. */
export interface CustomerOption {
  readonly id: OptionId;
  readonly name: string;
  /** what goes on the order where it was written by hand */
  readonly operations?: readonly OperationId[];
  /** what is done, in plain words, one a line */
  readonly done: readonly string[];
  /** what it leaves as it is */
  readonly left: readonly string[];
  readonly price: { readonly low: Minor; readonly high: Minor };
  readonly days: number;
  readonly risk: string;
  readonly original: string;
}

/** Everything the customer is shown. */
export interface OfferContent {
  readonly instrument: string;
  readonly complaint: string;
  readonly options: readonly CustomerOption[];
}

const NAMES: Readonly<Record<Plan['id'], string>> = {
  leave: 'Leave it as it is',
  sufficient: 'Put right what is out',
  best: 'Bring everything to its best',
};

type Doing = Pick<Operation, 'name' | 'changes' | 'risky' | 'reversible'>;

/** What a customer risks by it, in plain words. */
function riskOf(operations: readonly Doing[]): string {
  if (operations.length === 0) return 'None from us. What is out now may grow.';
  const risky = operations.filter((o) => o.risky).map((o) => o.name.toLowerCase());
  if (risky.length > 0)
    return `Some: ${risky.join(' and ')} cannot be undone and may show something nobody can see before.`;
  const forGood = operations.filter((o) => !o.reversible).length;
  return forGood > 0
    ? `Small: ${forGood} ${forGood === 1 ? 'step takes' : 'steps take'} material off for good; each begins with a first cut.`
    : 'Very small: everything can be undone.';
}

function originalOf(operations: readonly Doing[]): string {
  const changed = [...new Set(operations.map((o) => o.changes))].filter((c) => c !== '');
  return changed.length === 0
    ? 'Everything stays original.'
    : `${changed.join('; ')}. The rest stays original.`;
}

/**
 * An option written by hand as the customer reads it: what the catalogue says of its operations, in the order of the work.
 * @param number its number among those written by hand, from 1
 * @param taxing how the shop takes tax: what the customer reads has it in it
 */
export function ownOption(
  own: OwnOption,
  number: number,
  catalogue: readonly Operation[],
  taxing: Taxing,
): CustomerOption {
  const ids = new Set(own.operations);
  const operations = inOrder({ catalogue }, ids);
  const { price } = costOf({ catalogue }, ids);
  const lines = (text: string) =>
    text
      .split('\n')
      .map((l) => l.trim())
      .filter(Boolean);
  const done = [...operations.map((o) => o.customer || o.name), ...lines(own.says)];
  return {
    id: `own-${number}`,
    name: own.name,
    operations: operations.map((o) => o.id),
    done: done.length === 0 ? ['Nothing is done.'] : done,
    left: lines(own.left),
    price: { low: withTax(price.low, taxing), high: withTax(price.high, taxing) },
    days: daysOf(operations),
    risk: riskOf(operations),
    original: originalOf(operations),
  };
}

function optionOf(plan: Plan, taxing: Taxing): CustomerOption {
  const ids = plan.operations.map((o) => o.id);
  const taxed = (v: Minor) => withTax(v, taxing);
  return {
    id: plan.id,
    name: NAMES[plan.id],
    done:
      ids.length === 0
        ? ['Nothing is done; it can be played as it is.']
        : plan.operations.map((o) => o.customer).filter((c) => c !== ''),
    left: plan.undonePlain,
    price: { low: taxed(plan.cost.price.low), high: taxed(plan.cost.price.high) },
    days: plan.days,
    risk: riskOf(plan.operations),
    original: originalOf(plan.operations),
  };
}

/**
 * The options for a customer: two or three plans in plain words. Plans that come to the same are put before them once.
 * @param taxing how the shop takes tax: what the customer reads has it in it
 */
export function optionsFor(plans: readonly Plan[], taxing: Taxing): CustomerOption[] {
  const seen = new Set<string>();
  return plans.flatMap((p) => {
    const key = JSON.stringify(p.operations.map((o) => o.id));
    if (seen.has(key)) return [];
    seen.add(key);
    return [optionOf(p, taxing)];
  });
}
