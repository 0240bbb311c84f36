import type { Quantity } from '../readings/quantities.ts';
import type { Minor } from '../money/money.ts';

export const OPERATION_IDS = [
  'string-up',
  'rod',
  'fret-dress',
  'fret-ends',
  'nut-slots',
  'nut-fill',
  'nut-new',
  'saddle-lower',
  'saddle-raise',
  'bridge-reglue',
  'board-clean',
  'intonate',
  'compensate',
  'clean-controls',
  'battery',
  'tighten',
  'play-test',
] as const;
export type OperationId = (typeof OPERATION_IDS)[number];

/** A kind of work the shop does: what it takes, what it moves, what to beware of. Minutes hands-on; wait in minutes. */
export interface Operation {
  readonly id: OperationId;
  readonly name: string;
  /** place in the order of a setup */
  readonly order: number;
  readonly minutes: { readonly low: number; readonly likely: number; readonly high: number };
  readonly wait: number;
  readonly price: Minor;
  readonly parts: Minor;
  readonly stale: readonly Quantity[];
  readonly reversible: boolean;
  readonly hazards: readonly string[];
}

const STRINGS = 'String ends and strings under tension: eyes. Slacken before cutting.';
const DUST = 'Bone, metal and wood dust: respirator and extraction, as the safety sheet says.';
const FILES = 'Thin blades under load: work away from the hand.';
const SOLVENT = 'Flammable: ventilate, no flame, rags as the safety sheet says.';
const HEAT = 'Hot iron and glue fumes: ventilate, mask the finish, never unattended.';

const ALL: readonly Quantity[] = ['relief', 'action', 'nut-gap', 'intonation'];

const op = (
  id: OperationId,
  name: string,
  order: number,
  minutes: readonly [number, number, number],
  price: Minor,
  rest: Partial<Pick<Operation, 'wait' | 'parts' | 'stale' | 'reversible' | 'hazards'>>,
): Operation => ({
  id,
  name,
  order,
  minutes: { low: minutes[0], likely: minutes[1], high: minutes[2] },
  price,
  wait: 0,
  parts: 0,
  stale: [],
  reversible: true,
  hazards: [],
  ...rest,
});

/** The shop's catalogue as shipped; prices in minor units. Every number is a shop setting. */
export const OPERATIONS: readonly Operation[] = [
  op('string-up', 'String it up', 10, [10, 15, 25], 1500, {
    parts: 1200,
    stale: ['relief', 'action', 'intonation'],
    hazards: [STRINGS],
  }),
  op('tighten', 'Tighten what is loose', 15, [5, 10, 20], 800, {}),
  op('clean-controls', 'Clean controls and switch', 16, [10, 15, 30], 1800, { hazards: [SOLVENT] }),
  op('battery', 'New battery, clean contacts', 17, [5, 8, 15], 500, {
    parts: 400,
    hazards: ['Corroded cells leak acid: gloves and eyes; dispose as the law asks.'],
  }),
  op('bridge-reglue', 'Reglue the bridge', 18, [60, 90, 150], 12000, {
    wait: 1440,
    stale: ALL,
    reversible: false,
    hazards: [HEAT],
  }),
  op('rod', 'Adjust the truss rod', 20, [5, 10, 20], 1200, {
    wait: 10,
    stale: ['relief', 'action', 'nut-gap', 'intonation'],
    hazards: [STRINGS],
  }),
  op('fret-dress', 'Level and dress the frets', 30, [60, 90, 150], 9500, {
    stale: ['relief', 'action', 'nut-gap'],
    reversible: false,
    hazards: [DUST, FILES],
  }),
  op('fret-ends', 'Seat and dress the fret ends', 32, [20, 30, 50], 3500, {
    reversible: false,
    hazards: [DUST, FILES],
  }),
  op('board-clean', 'Clean and oil the fingerboard', 35, [10, 15, 25], 1500, { hazards: [SOLVENT] }),
  op('nut-new', 'Make a new nut', 38, [50, 75, 110], 8500, {
    parts: 900,
    stale: ['nut-gap', 'intonation'],
    reversible: false,
    hazards: [DUST, FILES],
  }),
  op('nut-fill', 'Fill a nut slot', 39, [15, 20, 30], 1800, {
    wait: 30,
    stale: ['nut-gap', 'intonation'],
    hazards: [DUST, 'Quick glue and its accelerator: ventilate, gloves, do not sniff.'],
  }),
  op('nut-slots', 'Cut the nut slots', 40, [15, 25, 40], 2500, {
    stale: ['nut-gap', 'intonation'],
    reversible: false,
    hazards: [DUST, FILES],
  }),
  op('saddle-lower', 'Lower the saddle', 50, [15, 25, 40], 2800, {
    stale: ['action', 'intonation', 'saddle-standout'],
    reversible: false,
    hazards: [DUST],
  }),
  op('saddle-raise', 'Raise the saddle', 51, [20, 40, 70], 4800, {
    parts: 900,
    stale: ['action', 'intonation', 'saddle-standout'],
    hazards: [DUST],
  }),
  op('intonate', 'Set the intonation', 60, [10, 15, 25], 1500, { stale: ['intonation'], hazards: [STRINGS] }),
  op('compensate', 'Compensate the saddle', 61, [20, 35, 60], 3800, {
    stale: ['intonation'],
    reversible: false,
    hazards: [DUST, FILES],
  }),
  op('play-test', 'Restring, settle, play every fret', 90, [15, 20, 35], 1500, {
    parts: 1200,
    stale: [],
    hazards: [STRINGS],
  }),
];

/** An operation of the catalogue by its id. */
export function operation(id: OperationId): Operation {
  const found = OPERATIONS.find((o) => o.id === id);
  if (!found) throw new RangeError(`no operation ${id}`);
  return found;
}
