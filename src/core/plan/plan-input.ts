import type { Conditions } from '../readings/conditions.ts';
import { USUAL_RATIO } from '../neck/rod-to-action.ts';
import type { Construction } from '../instrument/construction.ts';
import type { Reading } from '../readings/reading.ts';
import type { Station } from '../readings/stations.ts';
import type { Target } from '../targets/target.ts';
import type { LengthUnit } from '../units/length-units.ts';
import type { OperationId } from './operation-ids.ts';

/** Shop settings the sums use. */
export interface PlanSettings {
  readonly firstCutShare: number;
  readonly rodActionRatio: number;
  readonly rodPrior: { readonly perEighth: number; readonly sd: number };
  readonly minimumStandout: number;
  readonly actionUnit: LengthUnit;
}

export const USUAL_SETTINGS: PlanSettings = {
  firstCutShare: 0.8,
  rodActionRatio: USUAL_RATIO,
  rodPrior: { perEighth: 0.05, sd: 0.03 },
  minimumStandout: 1.5,
  actionUnit: '64ths',
};

/** Something that no plan deals with, and why. */
export interface Undone {
  readonly what: string;
  readonly why: string;
}

/** A finding that no operation deals with: why, and whether that is only a question that is asked first. */
export interface Unplanned extends Undone {
  readonly asked: boolean;
}

/** A finding of the inspection that usually leads to work. */
export interface Finding {
  readonly item: string;
  readonly title: string;
  readonly note: string;
  readonly leadsTo: OperationId;
  readonly name: string;
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
