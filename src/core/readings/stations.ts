import type { Construction } from '../instrument/construction.ts';
import { KIND_RECORDS } from '../instrument/kinds.ts';
import { hasOwnSaddles, stringName, stringNumber } from '../instrument/construction.ts';
import { actionFret, reliefMethod, USUAL_METHODS, type Methods } from './methods.ts';
import { QUANTITY_FACTS, type Quantity } from './quantities.ts';

/** The part of the sheet a station stands on. */
export const SHEET_PARTS = {
  setup: 'Setup',
  neck: 'Neck',
  nut: 'Nut',
  saddle: 'Saddle',
  frets: 'Frets',
  body: 'Body and pickups',
} as const;
export type SheetPart = keyof typeof SHEET_PARTS;

/**
 * A place where a reading is taken. `string` 1 is the highest, 0 means none (across a fret: 1 treble, 2 middle, 3 bass);
 * `fret` 0 means none (on a pickup: 1 is nearest the neck).
 */
export interface Station {
  readonly key: string;
  readonly quantity: Quantity;
  readonly string: number;
  readonly fret: number;
  readonly label: string;
  readonly optional: boolean;
  readonly part: SheetPart;
}

/** The name of a station, the same on every round: `action:6:12`. */
export const stationKey = (quantity: Quantity, string: number, fret: number): string =>
  `${quantity}:${string}:${fret}`;

const place =
  (part: SheetPart, optional = true) =>
  (quantity: Quantity, string: number, fret: number, label: string): Station => ({
    key: stationKey(quantity, string, fret),
    quantity,
    string,
    fret,
    label,
    optional: optional || QUANTITY_FACTS[quantity].optional,
    part,
  });

/** The fret where relief is read. */
export const RELIEF_FRET = 7;
/** The fret where action and intonation are read. */
export const ACTION_FRET = 12;

/** The order of the groups of a working order. */
export const WORKING_ORDER = ['relief', 'action', 'nut-gap', 'saddle-standout', 'intonation'] as const;
export type WorkGroup = (typeof WORKING_ORDER)[number];

/** How a shop reads: its methods, in which order, and from which string. */
export interface Habits {
  readonly methods: Methods;
  readonly order: readonly WorkGroup[];
  readonly firstString: 'lowest' | 'highest';
}

export const USUAL_HABITS: Habits = {
  methods: USUAL_METHODS,
  order: WORKING_ORDER,
  firstString: 'lowest',
};

const noteOf = (c: Construction, n: number): string =>
  (c.strings[c.strings.length - n]?.note ?? '').replace(/\d+$/, '');

/** A string's name with its note. */
const nameOf = (c: Construction, n: number): string => `${stringName(c, n)} ${noteOf(c, n)}`;

/** String numbers from the lowest string. */
const numbersOf = (c: Construction): number[] => c.strings.map((_, i) => stringNumber(c, i));

/** Whether saddles are cut to their height, and not set by screws or wheels. */
const hasLooseSaddle = ({ bridge }: Construction): boolean =>
  bridge === 'pinned' || bridge === 'tie-block' || bridge === 'individual-fixed';

/**
 * Every place a setup of this instrument is read at, in the shop's working order: as shipped neck, action, nut from the
 * lowest string, saddle, intonation.
 * @example a 6-string gives 1 + 2 + 6 + 1 + 6 = 16 stations
 */
export function stationsOf(c: Construction, habits: Habits = USUAL_HABITS): readonly Station[] {
  const station = place('setup', false);
  const numbers = habits.firstString === 'lowest' ? numbersOf(c) : numbersOf(c).reverse();
  const outer = numbers.filter((n) => n === 1 || n === c.strings.length);
  const at = actionFret(habits.methods.action, c.frets);
  const relief = reliefMethod(habits.methods.relief, c);
  const gap =
    habits.methods['nut-gap'] === 'open' ? 'Open height over fret 1, string' : 'Gap over fret 1, string';
  const groups: Readonly<Record<WorkGroup, readonly Station[]>> = {
    relief: [station('relief', 0, RELIEF_FRET, `Relief, ${relief.at}th`)],
    action: outer.map((n) => station('action', n, at, `Action ${at}, string ${stringName(c, n)}`)),
    'nut-gap': numbers.map((n) => station('nut-gap', n, 1, `${gap} ${nameOf(c, n)}`)),
    'saddle-standout': hasLooseSaddle(c) ? [station('saddle-standout', 0, 0, 'Saddle stands out')] : [],
    intonation: numbers.map((n) =>
      station('intonation', n, ACTION_FRET, `Cents at 12, string ${nameOf(c, n)}`),
    ),
  };
  return habits.order.flatMap((group) => groups[group]);
}

const ACROSS = [
  { string: 3, name: 'bass' },
  { string: 2, name: 'middle' },
  { string: 1, name: 'treble' },
] as const;
const SIDES = ACROSS.filter((a) => a.string !== 2);

/** How many pickups are read: two on an electric or a bass, none where there is nothing under the strings. */
const pickupsOf = ({ kind, electronics }: Construction): number =>
  electronics === 'none' || electronics === 'under-saddle' ? 0 : KIND_RECORDS[kind].pickups;

function bodyStations(c: Construction): Station[] {
  const body = place('body');
  const pickups = Array.from({ length: pickupsOf(c) }, (_, i) => i + 1);
  return [
    ...(c.joint === 'glued' || hasLooseSaddle(c)
      ? [body('neck-angle', 0, 0, 'Straightedge at the bridge')]
      : []),
    ...(hasLooseSaddle(c) ? [body('height-over-top', 0, 0, 'Strings over the top')] : []),
    ...pickups.flatMap((p) =>
      SIDES.map((s) => body('pickup-height', s.string, p, `Pickup ${p} under the ${s.name} string`)),
    ),
    ...pickups.map((p) => body('resistance', 0, p, `Pickup ${p}, kΩ`)),
    ...(c.vibrato === 'floating' ? [body('vibrato-float', 0, 0, 'Vibrato floats')] : []),
    ...(c.bridge === 'pinned' ? [body('pin-taper', 0, 0, 'Taper of the pins')] : []),
  ];
}

function saddleStations(c: Construction): Station[] {
  const saddle = place('saddle');
  return [
    ...numbersOf(c).map((n) => saddle('contact', n, 0, `String ${nameOf(c, n)} leaves the saddle at`)),
    ...(hasLooseSaddle(c)
      ? [
          ...SIDES.map((s) => saddle('saddle-standout', s.string, 0, `Saddle stands out, ${s.name}`)),
          saddle('slot-depth', 0, 0, 'Saddle slot, deep'),
          saddle('slot-width', 0, 0, 'Saddle slot, wide'),
          saddle('saddle-length', 0, 0, 'Saddle, long'),
          saddle('saddle-thickness', 0, 0, 'Saddle, thick'),
          saddle('bridge-thickness', 0, 0, 'Bridge, thick'),
        ]
      : []),
    saddle('break-angle', 0, 0, 'Break angle'),
  ];
}

/** Frets where a straightedge is read, beside the last one and without those it lies on. */
const UNDER_THE_EDGE = [3, 5, 7, 9, 12, 15, 17, 19] as const;

/** The frets a straightedge lies on: the first, and the one at the body joint. */
export const edgeSpan = ({
  bodyFret,
  frets,
}: Construction): { readonly low: number; readonly high: number } => ({
  low: 1,
  high: Math.min(bodyFret, frets),
});

function edgeStations(c: Construction): Station[] {
  const neck = place('neck');
  const { high } = edgeSpan(c);
  const frets = [...UNDER_THE_EDGE.filter((n) => n < c.frets), c.frets].filter((n) => n !== high);
  return frets.flatMap((n) =>
    SIDES.map((s) => neck('straightedge', s.string, n, `Under the straightedge at ${n}, ${s.name}`)),
  );
}

/** The frets where intonation is read for work at the nut. */
export const NUT_FRETS = [1, 3, 5, 7] as const;

/**
 * The further places an instrument can be read at, for work at its nut, saddle, frets or body. All optional.
 */
export function furtherStations(c: Construction): readonly Station[] {
  const [neck, nut, frets] = [place('neck'), place('nut'), place('frets')];
  const all = Array.from({ length: c.frets }, (_, i) => i + 1);
  const reads = new Set([ACTION_FRET, Math.min(17, c.frets), c.frets]);
  return [
    ...[3, 5, 9, 12]
      .filter((n) => n < c.frets)
      .map((n) => neck('relief', 0, n, `Relief at the ${n}${n === 3 ? 'rd' : 'th'}`)),
    ...numbersOf(c).flatMap((n) =>
      [...reads].map((f) => neck('action', n, f, `Action ${f}, string ${nameOf(c, n)}`)),
    ),
    ...edgeStations(c),
    nut('nut-width', 0, 0, 'Nut width'),
    nut('nut-spacing', 0, 0, 'String spread at the nut'),
    ...numbersOf(c).flatMap((n) =>
      NUT_FRETS.map((f) => nut('intonation', n, f, `Cents at ${f}, string ${nameOf(c, n)}`)),
    ),
    ...saddleStations(c),
    ...all.flatMap((f) =>
      ACROSS.map((a) => frets('fret-height', a.string, f, `Fret ${f} stands, ${a.name}`)),
    ),
    ...all.slice(1, -1).map((f) => frets('fret-rock', 0, f, `Rocks over fret ${f} by`)),
    frets('fall-away', 0, c.frets, 'Fall-away at the last fret'),
    frets('radius', 0, 1, 'Radius at fret 1'),
    frets('radius', 0, c.frets, 'Radius at the last fret'),
    ...bodyStations(c),
  ];
}

/** Every place: the setup in its working order, then the further ones, each once. */
export function allStations(c: Construction, habits: Habits = USUAL_HABITS): readonly Station[] {
  const setup = stationsOf(c, habits);
  const known = new Set(setup.map((s) => s.key));
  return [...setup, ...furtherStations(c).filter((s) => !known.has(s.key))];
}

/**
 * What a plan is judged by: the setup's places, and where each string has a saddle of its own also the action of the strings
 * between.
 */
export function plannedStations(c: Construction, setup: readonly Station[]): readonly Station[] {
  if (!hasOwnSaddles(c)) return setup;
  const known = new Set(setup.map((s) => s.key));
  const between = furtherStations(c).filter(
    (s) => s.quantity === 'action' && s.fret === ACTION_FRET && !known.has(s.key),
  );
  return [...setup, ...between];
}
