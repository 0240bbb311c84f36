import type { Conditions } from '../readings/conditions.ts';
import { formatLength } from '../units/format-length.ts';
import { fretPosition } from '../neck/fret-position.ts';
import { USUAL_RATIO } from '../neck/rod-to-action.ts';
import type { Construction } from '../instrument/construction.ts';
import type { Reading } from '../readings/reading.ts';
import { ACTION_FRET, RELIEF_FRET, stationKey, type Station } from '../readings/stations.ts';
import type { Target } from '../targets/target.ts';
import type { LengthUnit } from '../units/length-units.ts';
import type { ProposalLine } from './proposal.ts';

const FRET_READ: Readonly<Partial<Record<Station['quantity'], number>>> = {
  relief: RELIEF_FRET,
  action: ACTION_FRET,
  'nut-gap': 1,
  'saddle-standout': 0,
  intonation: ACTION_FRET,
};

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

/** A finding of the inspection that usually leads to work. */
export interface Finding {
  readonly item: string;
  readonly title: string;
  readonly note: string;
  readonly leadsTo: ProposalLine['operation'];
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
  readonly settings: PlanSettings;
}

/** What the lines before have already changed, mm: carried from step to step so that nothing is corrected twice. */
export interface Carried {
  /** change of action at the 12th from the rod */
  readonly action: number;
  /** how much lower each string sits at the nut, by string number */
  readonly nut: ReadonlyMap<number, number>;
}

/** Reads the value a plan may use: measured, representative, not stale. */
export const usable = (input: PlanInput, key: string): number | null => {
  const reading = input.readings.get(key);
  return reading === undefined || input.stale.has(key) ? null : reading.value;
};

/** How much the action at the 12th falls when the string sits lower at the nut, mm. */
export const nutToAction = (construction: Construction, lowered: number): number =>
  -lowered * (1 - fretPosition(construction.scale, 12) / (construction.scale + construction.compensation));

/** Says a length in the shop's action unit with mm beside it: `2.4/64 (0.95 mm)`. */
export const both = (length: number, unit: LengthUnit): string =>
  unit === 'mm'
    ? formatLength(length, 'mm')
    : `${formatLength(length, unit)} (${formatLength(length, 'mm')})`;

/** The key of the station a string is read at for a quantity. */
export const keyOf = (quantity: Station['quantity'], string: number): string =>
  stationKey(quantity, string, FRET_READ[quantity] ?? 0);
