import type { Conditions } from '../readings/conditions.ts';
import { ratioOf, USUAL_RATIO } from '../neck/rod-to-action.ts';
import type { Construction } from '../instrument/construction.ts';
import type { Reading } from '../readings/reading.ts';
import type { Station } from '../readings/stations.ts';
import type { Target } from '../targets/target.ts';
import type { LengthUnit } from '../units/length-units.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import { USUAL_PLAN_RULES, type PlanRules } from './plan-rules.ts';

/** A shop's rules as the sums of a plan use them for one instrument. */
export interface PlanSettings extends Omit<PlanRules, 'rodActionRatio'> {
  readonly rodActionRatio: number;
  /** unit heights are said in */
  readonly actionUnit: LengthUnit;
}

export const USUAL_SETTINGS: PlanSettings = {
  ...USUAL_PLAN_RULES,
  rodActionRatio: USUAL_RATIO,
  actionUnit: '64ths',
};

/** A shop's rules for an instrument: what follows from its kind where the rules say nothing of it. */
export const settingsFor = (
  rules: PlanRules,
  { kind }: Pick<Construction, 'kind'>,
  actionUnit: LengthUnit,
): PlanSettings => ({ ...rules, rodActionRatio: rules.rodActionRatio ?? ratioOf(kind), actionUnit });

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
