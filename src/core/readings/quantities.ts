import type { LengthUnit } from '../units/length-units.ts';

/** What is read in a round. Lengths are mm, intonation is cents. */
export const QUANTITIES = ['relief', 'action', 'nut-gap', 'saddle-standout', 'intonation'] as const;
export type Quantity = (typeof QUANTITIES)[number];

export interface QuantityFacts {
  readonly name: string;
  readonly measure: 'length' | 'cents';
  /** the shop's unit until House says otherwise */
  readonly unit: LengthUnit;
  readonly method: string;
  readonly gauge: string;
  /** what can be true of any instrument; outside, Rubrica asks */
  readonly plausible: readonly [number, number];
  /** what the gauge can tell apart, mm or cents */
  readonly tells: number;
  /** a reading that the round can do without */
  readonly optional: boolean;
}

export const QUANTITY_FACTS: Readonly<Record<Quantity, QuantityFacts>> = {
  relief: {
    name: 'Relief',
    measure: 'length',
    unit: 'thou',
    method: 'first and last fret pressed, read at the 7th',
    gauge: 'feeler, .02 mm',
    plausible: [-0.4, 1.2],
    tells: 0.005,
    optional: false,
  },
  action: {
    name: 'Action',
    measure: 'length',
    unit: '64ths',
    method: 'open string over the 12th fret',
    gauge: 'rule, 1/64',
    plausible: [0.9, 6],
    tells: 0.02,
    optional: false,
  },
  'nut-gap': {
    name: 'Gap over fret 1',
    measure: 'length',
    unit: 'thou',
    method: 'held at fret 3',
    gauge: 'feeler, .02 mm',
    plausible: [0, 0.8],
    tells: 0.005,
    optional: false,
  },
  'saddle-standout': {
    name: 'Saddle stands out',
    measure: 'length',
    unit: 'mm',
    method: 'above the bridge, in the middle',
    gauge: 'caliper, .05 mm',
    plausible: [0.3, 15],
    tells: 0.05,
    optional: true,
  },
  intonation: {
    name: 'Intonation',
    measure: 'cents',
    unit: 'mm',
    method: 'fretted 12th against the open string',
    gauge: 'tuner, 0.1 c',
    plausible: [-40, 40],
    tells: 0.1,
    optional: false,
  },
};
