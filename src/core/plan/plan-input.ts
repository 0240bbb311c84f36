import type { Conditions } from '../readings/conditions.ts';
import { ratioOf, USUAL_RATIO } from '../neck/rod-to-action.ts';
import type { Construction } from '../instrument/construction.ts';
import type { Reading } from '../readings/reading.ts';
import type { Station } from '../readings/stations.ts';
import type { Target } from '../targets/target.ts';
import type { LearnedNumbers } from '../learn/learned.ts';
import type { LearnedNumber } from '../learn/response.ts';
import { sayFrom } from '../learn/say-number.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import { USUAL_PLAN_RULES, type PlanRules } from './plan-rules.ts';

/** A shop's rules as the sums of a plan use them for one instrument. */
export interface PlanSettings extends Omit<PlanRules, 'rodActionRatio'> {
  readonly rodActionRatio: number;
  /** where the rod's answer and the ratio come from, in words; absent: the shop's setting */
  readonly from?: { readonly rod: string; readonly ratio: string } | undefined;
}

export const USUAL_SETTINGS: PlanSettings = {
  ...USUAL_PLAN_RULES,
  rodActionRatio: USUAL_RATIO,
};

/** Where a number comes from, where acts told something of it. */
const fromActs = (id: 'rod' | 'ratio', learned: LearnedNumber): string =>
  learned.own + learned.others.acts === 0 ? 'setting' : sayFrom(id, learned);

/**
 * A shop's rules for an instrument: what follows from its kind where the rules say nothing of it, and what it and its kind have
 * shown of the rod where acts told that.
 */
export const settingsFor = (
  rules: PlanRules,
  { kind }: Pick<Construction, 'kind'>,
  numbers?: LearnedNumbers,
): PlanSettings => ({
  ...rules,
  rodActionRatio: numbers?.ratio.value ?? rules.rodActionRatio ?? ratioOf(kind),
  ...(numbers && {
    rodPrior: {
      perEighth: numbers.rod.value,
      sd: numbers.rod.sd,
      ...(numbers.rod.own > 0 && { known: 'what this rod did before' }),
      ...(numbers.rod.own === 0 && numbers.rod.others.acts > 0 && { known: 'what such rods did here' }),
    },
    from: { rod: fromActs('rod', numbers.rod), ratio: fromActs('ratio', numbers.ratio) },
  }),
});

/** Something that no plan deals with, and why. */
export interface Undone {
  readonly what: string;
  readonly why: string;
}

/** A finding that no operation deals with: why, and whether that is only a question that is asked first. */
export interface Unplanned extends Undone {
  readonly asked: boolean;
  /** what it is and why nothing is done about it, in the customer’s words */
  readonly plain: string;
}

/** A finding of the inspection that usually leads to work. */
export interface Finding {
  readonly item: string;
  readonly title: string;
  readonly note: string;
  readonly leadsTo: OperationId;
  readonly name: string;
  /** what it is, in the customer’s words */
  readonly plain: string;
}

export interface PlanInput {
  readonly construction: Construction;
  readonly stations: readonly Station[];
  readonly readings: ReadonlyMap<string, Reading>;
  /** keys whose newest reading is stale */
  readonly stale: ReadonlySet<string>;
  readonly targets: ReadonlyMap<string, Target>;
  readonly strings: Conditions['strings'];
  readonly findings: readonly Finding[];
  /** findings that no operation deals with */
  readonly unplanned?: readonly Unplanned[] | undefined;
  readonly settings: PlanSettings;
}

/** Reads the value a plan may use: measured, representative, not stale. */
export const usable = (input: PlanInput, key: string): number | null => {
  const reading = input.readings.get(key);
  return reading === undefined || input.stale.has(key) ? null : reading.value;
};
