import type { Minor } from '../money/minor.ts';
import { withTax, type Taxing } from '../money/tax.ts';
import type { Plan } from './solve/plans.ts';

/** One option as the customer reads it. Money in minor units. */
export interface CustomerOption {
  readonly id: Plan['id'];
  readonly name: string;
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

function optionOf(plan: Plan, taxing: Taxing): CustomerOption {
  const ids = plan.operations.map((o) => o.id);
  const changed = [...new Set(plan.operations.map((o) => o.changes))].filter((c) => c !== '');
  const risky = plan.operations.filter((o) => o.risky).map((o) => o.name.toLowerCase());
  const forGood = plan.operations.filter((o) => !o.reversible).length;
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
    risk:
      ids.length === 0
        ? 'None from us. What is out now may grow.'
        : risky.length > 0
          ? `Some: ${risky.join(' and ')} cannot be undone and may show something nobody can see before.`
          : forGood > 0
            ? `Small: ${forGood} ${forGood === 1 ? 'step takes' : 'steps take'} material off for good; each begins with a first cut.`
            : 'Very small: everything can be undone.',
    original:
      changed.length === 0 ? 'Everything stays original.' : `${changed.join('; ')}. The rest stays original.`,
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
