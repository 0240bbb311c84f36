import { stringName, stringNumber, type Construction } from '../instrument/construction.ts';
import type { Kind } from '../instrument/kinds.ts';
import { scaleOf } from '../instrument/scales.ts';
import { predictedCents } from '../intonation/predicted.ts';
import { fretPosition } from '../neck/fret-position.ts';
import type { Quantity } from '../readings/quantities.ts';
import { ACTION_FRET, allStations, type Station } from '../readings/stations.ts';
import { noteFrequency } from '../strings/pitch.ts';
import { stringMake } from '../strings/string-pull.ts';
import { actionOver, type Outcome } from '../whatif/consequences.ts';
import { outcomeOf, topsOf, type Insides } from './insides.ts';
import { overNeighbours } from './work.ts';

/** What a hand with its usual gauge can tell of a quantity: the spread of its readings, and the steps the gauge has. */
interface Hand {
  readonly spread: number;
  readonly step: number;
}

/** mm, cents, degrees and kΩ. A quantity that is not here is not read in practice. */
const HANDS: Readonly<Partial<Record<Quantity, Hand>>> = {
  relief: { spread: 0.012, step: 0.01 },
  action: { spread: 0.03, step: 0.05 },
  'nut-gap': { spread: 0.006, step: 0.005 },
  'saddle-standout': { spread: 0.05, step: 0.05 },
  intonation: { spread: 0.4, step: 0.1 },
  contact: { spread: 0.1, step: 0.25 },
  'break-angle': { spread: 0.7, step: 1 },
  'neck-angle': { spread: 0.15, step: 0.1 },
  'fret-height': { spread: 0.01, step: 0.01 },
  'fret-rock': { spread: 0.008, step: 0.01 },
  straightedge: { spread: 0.015, step: 0.01 },
  'pickup-height': { spread: 0.1, step: 0.1 },
  resistance: { spread: 0.01, step: 0.01 },
  'nut-width': { spread: 0.03, step: 0.05 },
  'nut-spacing': { spread: 0.05, step: 0.05 },
};

const SOUND_COIL = 7.2;
const DEAD_COIL = 0.4;
const SOUND_PICKUP = 2.2;
const NEAR_PICKUP = 0.9;
/** Usual boards at the nut, mm, and what the outer strings leave free of them on both sides together. */
const NUT_WIDTHS: Readonly<Record<Kind, number>> = {
  'steel-acoustic': 43,
  'twelve-string': 47.5,
  nylon: 52,
  'solid-electric': 42,
  'semi-hollow': 43,
  archtop: 43,
  bass: 41,
  ukulele: 35,
};
const FREE_OF_STRINGS = 7;
const PRESS = 0.25;

const READ_FRETS = new Set([ACTION_FRET]);

/** Whether a place is read in practice: where the physics say something of it. */
function isRead(c: Construction, { quantity, fret, string }: Station): boolean {
  if (HANDS[quantity] === undefined) return false;
  if (quantity === 'fret-height') return string === 2;
  if (quantity === 'action') return READ_FRETS.has(fret) || fret === c.frets;
  if (quantity === 'straightedge') return string === 3;
  return true;
}

/** The places a practice instrument is read at, in the working order of a setup. */
export const practiceStations = (c: Construction): readonly Station[] =>
  allStations(c).filter((s) => isRead(c, s));

const indexOf = (c: Construction, number: number): number => c.strings.length - number;

/** A fret's height over or under the straight line between two others, of what is cut, worn or lifted. */
function offLine(c: Construction, tops: readonly number[], low: number, high: number, at: number): number {
  const [p, q, k] = [low, high, at].map((n) => fretPosition(c.scale, n)) as [number, number, number];
  const line = (tops[low] ?? 0) + (((tops[high] ?? 0) - (tops[low] ?? 0)) * (k - p)) / (q - p);
  return (tops[at] ?? 0) - line;
}

/** The gap over fret 1 of a string held behind fret 3, with what frets 1 and 2 stand over or under their places. */
function gapAt(inside: Insides, o: Outcome, i: number, tops: readonly number[]): number {
  const c = inside.construction;
  const share = fretPosition(c.scale, 1) / fretPosition(c.scale, 2);
  return (o.gap[i] ?? 0) + (tops[2] ?? 0) * share - (tops[1] ?? 0);
}

/** What a fretted note near the nut is off, from heights alone, against the same on the sound instrument. */
function lowFretCents(inside: Insides, o: Outcome, i: number, fret: number): number {
  const { construction: c, sound, moves } = inside;
  const fact = (moves.strings ?? c.strings)[i];
  const note = fact ? noteFrequency(fact.note) : null;
  if (!fact || !note?.ok) return 0;
  const string = { ...stringMake(c, fact), frequency: note.value };
  const at = (nut: number, saddle: number, relief: number): number =>
    predictedCents(
      { scale: scaleOf(c, i), compensation: c.compensation, string, nut, saddle, relief, pressDepth: PRESS },
      [fret],
    )[0]?.total ?? 0;
  const before = soundOutcome(inside);
  const here = at(o.nut[i] ?? 0, o.saddle[i] ?? 0, o.relief);
  return here - at(sound.nut[i] ?? 0, before.saddle[i] ?? 0, sound.relief) + (o.cents[i] ?? 0) * 0.5;
}

const SOUND = new WeakMap<Insides['sound'], Outcome>();

/** The same instrument with nothing wrong. */
function soundOutcome(inside: Insides): Outcome {
  const known = SOUND.get(inside.sound);
  if (known) return known;
  const none = inside.construction.frets + 1;
  const still = {
    ...inside,
    flat: 0,
    flaws: [],
    lifted: [],
    moves: {
      ...inside.moves,
      relief: 0,
      nut: [],
      frets: 0,
      bass: 0,
      treble: 0,
      tilt: 0,
      contact: [],
      strings: null,
    },
  };
  const made = outcomeOf({
    ...still,
    moves: { ...still.moves, tops: Array.from({ length: none }, () => 0) },
  });
  SOUND.set(inside.sound, made);
  return made;
}

const has = (inside: Insides, finding: string): boolean => inside.flaws.some((f) => f.finding === finding);

type Truth = (inside: Insides, o: Outcome, s: Station, tops: readonly number[]) => number | null;

const TRUTHS: Readonly<Partial<Record<Quantity, Truth>>> = {
  relief: (inside, o, s, tops) => {
    const c = inside.construction;
    const bow = s.fret === 7 ? o.relief : -offLine(c, [...o.tops], 1, c.frets, s.fret);
    return s.fret === 7 ? bow - offLine(c, tops, 1, c.frets, 7) : bow;
  },
  action: (inside, o, s) => {
    const i = indexOf(inside.construction, s.string);
    return s.fret === ACTION_FRET ? (o.action[i] ?? 0) : actionOver(inside.sound, o, i, s.fret);
  },
  'nut-gap': (inside, o, s, tops) => gapAt(inside, o, indexOf(inside.construction, s.string), tops),
  'saddle-standout': ({ moves }, o, s) => {
    if (o.standout === null) return null;
    const side = s.string === 0 ? 0 : (moves.bass - moves.treble) / (s.string === 3 ? 2 : -2);
    return o.standout + side;
  },
  intonation: (inside, o, s) => {
    const i = indexOf(inside.construction, s.string);
    return s.fret === ACTION_FRET ? (o.cents[i] ?? null) : lowFretCents(inside, o, i, s.fret);
  },
  contact: ({ construction: c }, o, s) => o.contact[indexOf(c, s.string)] ?? null,
  'break-angle': (_, o) => o.breakAngle,
  'neck-angle': ({ sound, moves }) => (sound.plane === null ? null : sound.plane + moves.tilt),
  'fret-height': (inside, _, s) => (inside.crowns[s.fret] ?? 0) + (inside.lifted[s.fret] ?? 0),
  'fret-rock': (_, __, s, tops) => Math.max(0, overNeighbours(tops, s.fret)),
  straightedge: ({ construction: c }, o, s) =>
    -offLine(c, [...o.tops], 1, Math.min(c.bodyFret, c.frets), s.fret),
  'pickup-height': (inside) => (has(inside, 'pickup-height:near') ? NEAR_PICKUP : SOUND_PICKUP),
  'nut-width': ({ construction: c }) => NUT_WIDTHS[c.kind],
  'nut-spacing': ({ construction: c }) => NUT_WIDTHS[c.kind] - FREE_OF_STRINGS,
  resistance: (inside, _, s) => (has(inside, 'noise:dead') && s.fret === 1 ? DEAD_COIL : SOUND_COIL),
};

/** What a place of an instrument truly is: mm, cents, degrees or kΩ; null where it has none. */
export function truthAt(inside: Insides, station: Station, o: Outcome = outcomeOf(inside)): number | null {
  const truth = TRUTHS[station.quantity]?.(inside, o, station, topsOf(inside)) ?? null;
  if (truth === null) return null;
  return inside.flaws.reduce((sum, f) => sum + (f.reads?.[station.quantity] ?? 0), truth);
}

/** How far apart two readings of a quantity must lie to tell something, in its unit. */
export const tellsOf = (quantity: Quantity): number => {
  const hand = HANDS[quantity] ?? { spread: 0.05, step: 0.05 };
  return 3 * Math.hypot(hand.spread, hand.step / Math.sqrt(12));
};

/**
 * A reading as a hand takes it: the truth with the hand's own error, in the gauge's steps.
 * @param error of the normal curve, mean 0 and deviation 1
 */
export function readWith(inside: Insides, station: Station, error: number): number | null {
  const truth = truthAt(inside, station);
  const hand = HANDS[station.quantity];
  if (truth === null || hand === undefined) return null;
  const seen = truth + error * hand.spread;
  const inSteps = Math.round(seen / hand.step) * hand.step;
  const least = station.quantity === 'nut-gap' || station.quantity === 'fret-rock' ? 0 : -Infinity;
  return Number(Math.max(least, inSteps).toFixed(3));
}

/** A string as it is called, by its place from the lowest. */
export const stringCalled = (c: Construction, index: number): string =>
  `${stringName(c, stringNumber(c, index))} ${(c.strings[index]?.note ?? '').replace(/\d+$/, '')}`;
