import type { LengthUnit } from '../units/length-units.ts';

/** What is read in a round. Lengths are mm, intonation cents, break angle degrees, pickups kiloohms. */
export const QUANTITIES = [
  'relief',
  'action',
  'nut-gap',
  'saddle-standout',
  'intonation',
  'nut-width',
  'nut-spacing',
  'contact',
  'slot-depth',
  'slot-width',
  'saddle-length',
  'saddle-thickness',
  'bridge-thickness',
  'height-over-top',
  'break-angle',
  'neck-angle',
  'fret-height',
  'fret-rock',
  'fall-away',
  'straightedge',
  'radius',
  'pickup-height',
  'vibrato-float',
  'resistance',
  'pin-taper',
] as const;
export type Quantity = (typeof QUANTITIES)[number];

/** What kind of number a quantity is. */
export type Measure = 'length' | 'cents' | 'degrees' | 'kilohms';

export interface QuantityFacts {
  readonly name: string;
  readonly measure: Measure;
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
  /** whether it can be read only with the strings on */
  readonly strings: boolean;
}

const read = (
  name: string,
  unit: LengthUnit,
  method: string,
  gauge: string,
  plausible: readonly [number, number],
  tells: number,
  rest: Partial<QuantityFacts> = {},
): QuantityFacts => ({
  name,
  measure: 'length',
  unit,
  method,
  gauge,
  plausible,
  tells,
  optional: true,
  strings: false,
  ...rest,
});

const NEEDED = { optional: false, strings: true } as const;
const CALIPER = 'caliper, .05 mm';
const RULE = 'rule, 1/64';
const FEELER = 'feeler, .02 mm';

export const QUANTITY_FACTS: Readonly<Record<Quantity, QuantityFacts>> = {
  relief: read(
    'Relief',
    'thou',
    'first and last fret pressed, read at the 7th',
    FEELER,
    [-0.4, 1.2],
    0.005,
    NEEDED,
  ),
  action: read('Action', '64ths', 'open string over the 12th fret', RULE, [0.9, 6], 0.02, NEEDED),
  'nut-gap': read('Gap over fret 1', 'thou', 'held at fret 3', FEELER, [0, 0.8], 0.005, NEEDED),
  'saddle-standout': read(
    'Saddle stands out',
    'mm',
    'above the bridge, in the middle',
    CALIPER,
    [0.3, 15],
    0.05,
  ),
  intonation: read(
    'Intonation',
    'mm',
    'fretted 12th against the open string',
    'tuner, 0.1 c',
    [-40, 40],
    0.1,
    {
      ...NEEDED,
      measure: 'cents',
    },
  ),
  'nut-width': read('Nut width', 'mm', 'across the board at the nut', CALIPER, [28, 60], 0.05),
  'nut-spacing': read(
    'String spread at the nut',
    'mm',
    'outer edge to outer edge of the outer strings',
    CALIPER,
    [22, 56],
    0.05,
  ),
  contact: read(
    'String leaves the saddle',
    'mm',
    'from the saddle’s front edge',
    'loupe and rule, .25 mm',
    [-1, 8],
    0.25,
    { strings: true },
  ),
  'slot-depth': read('Saddle slot, deep', 'mm', 'saddle out, at its middle', CALIPER, [1, 15], 0.05),
  'slot-width': read('Saddle slot, wide', 'mm', 'saddle out', CALIPER, [1, 8], 0.05),
  'saddle-length': read('Saddle, long', 'mm', 'saddle out', CALIPER, [30, 110], 0.05),
  'saddle-thickness': read('Saddle, thick', 'mm', 'saddle out', CALIPER, [1, 8], 0.05),
  'bridge-thickness': read(
    'Bridge, thick',
    'mm',
    'in front of the saddle, in the middle',
    CALIPER,
    [4, 16],
    0.05,
  ),
  'height-over-top': read(
    'String over the top',
    'mm',
    'in front of the bridge, between the middle strings',
    RULE,
    [5, 40],
    0.2,
    { strings: true },
  ),
  'break-angle': read(
    'Break angle',
    'mm',
    'behind the saddle, by its two lengths or a bevel',
    'bevel, 1°',
    [2, 60],
    1,
    {
      measure: 'degrees',
      strings: true,
    },
  ),
  'neck-angle': read(
    'Straightedge at the bridge',
    'mm',
    'along the frets; + above the bridge’s top, − under it',
    RULE,
    [-15, 40],
    0.2,
  ),
  'fret-height': read('Fret stands', 'mm', 'over the board', 'fret dial, .01 mm', [0.1, 2.2], 0.02),
  'fret-rock': read(
    'Fret rocks',
    'thou',
    'feeler under the rocker over three frets',
    FEELER,
    [0, 0.5],
    0.005,
  ),
  'fall-away': read('Fall-away', 'mm', 'at the last fret, under the straightedge', FEELER, [-0.5, 2], 0.02),
  straightedge: read(
    'Gap under the straightedge',
    'thou',
    'straightedge on fret 1 and at the body joint; − where a fret stands over it',
    FEELER,
    [-1.5, 1.5],
    0.02,
    { strings: true },
  ),
  radius: read('Board radius', 'mm', 'gauge across the board', 'radius gauge', [150, 800], 5),
  'pickup-height': read(
    'Pickup under the string',
    'mm',
    'string held at the last fret',
    RULE,
    [0.5, 12],
    0.2,
    {
      strings: true,
    },
  ),
  'vibrato-float': read('Vibrato floats', 'mm', 'rear edge over the top', RULE, [-1, 12], 0.2, {
    strings: true,
  }),
  resistance: read('Pickup', 'mm', 'at the output, control full on', 'meter, .01 kΩ', [0.1, 60], 0.01, {
    measure: 'kilohms',
  }),
  'pin-taper': read(
    'Pin taper',
    'mm',
    'tried in a reamed hole of each taper',
    'two reamed holes',
    [1, 8],
    0.5,
    {
      measure: 'degrees',
    },
  ),
};
