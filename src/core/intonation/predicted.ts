import { fretPosition } from '../neck/fret-position.ts';
import {
  bearingDiameter,
  stringTension,
  unitMass,
  type StringKind,
  type StringMake,
} from '../strings/unit-mass.ts';
import type { Cents, Hz, Mm } from '../units/unit-types.ts';

/** The string, the neck and the hand. Lengths in mm, frequency in Hz, modulus in Pa. */
export interface FrettedString {
  readonly scale: Mm;
  readonly compensation: Mm;
  readonly string: StringMake & { readonly frequency: Hz; readonly modulus?: number | undefined };
  /** height over the fret plane at the nut and at the saddle */
  readonly nut: Mm;
  readonly saddle: Mm;
  /** the bow of the neck, greatest between fret 1 and fret 14 */
  readonly relief: Mm;
  /** how far below the fret's top the finger pushes the string, midway behind it */
  readonly pressDepth: Mm;
  /** string behind nut and saddle that takes its share of the stretch; the usual length when not said */
  readonly behind?: number | undefined;
}

/** Error of a fretted note in cents, by its causes; they add up exactly. */
export interface PredictedCents {
  readonly fret: number;
  readonly stretch: Cents;
  readonly stiffness: Cents;
  readonly length: number;
  readonly total: Cents;
}

/** String behind nut and saddle together, mm. */
export const USUAL_BEHIND = 130;

/** Young's modulus, Pa: music wire; threads and monofilament near their tuned stretch. */
export const USUAL_MODULUS: Readonly<Record<StringKind, number>> = {
  plain: 2.05e11,
  wound: 2.05e11,
  floss: 8e9,
  nylon: 3.5e9,
  fluorocarbon: 4.5e9,
};

const CENTS = 1200 / Math.LN2;
const RELIEF_SPAN = { low: 1, high: 14 } as const;
const LARGEST_COMPENSATION = 40;
const MOST_STEPS = 100;
/** An error no ear and no reader can tell, cents. */
const IN_TUNE = 1e-11;

const reliefAt = (s: FrettedString, x: number): number => {
  const [p, q] = [fretPosition(s.scale, RELIEF_SPAN.low), fretPosition(s.scale, RELIEF_SPAN.high)];
  return x <= p || x >= q ? 0 : (-s.relief * 4 * (x - p) * (q - x)) / (q - p) ** 2;
};

/** Path of the string from nut to saddle when it is pressed at a fret, mm. */
function pressedPath(s: FrettedString, fret: number): number {
  const xs = s.scale + s.compensation;
  const xn = fretPosition(s.scale, fret);
  const top = reliefAt(s, xn);
  const front = Math.hypot(xs - xn, s.saddle - top);
  if (s.pressDepth === 0) return Math.hypot(xn, s.nut - top) + front;
  const finger = (fretPosition(s.scale, fret - 1) + xn) / 2;
  const low = top - s.pressDepth;
  return Math.hypot(finger, s.nut - low) + Math.hypot(xn - finger, s.pressDepth) + front;
}

interface Elastic {
  readonly tension: number;
  /** EA, N */
  readonly pull: number;
  /** √(EI/T), mm: the length over which stiffness rules */
  readonly bend: number;
}

function elastic(s: FrettedString): Elastic {
  const d = bearingDiameter(s.string) / 1000;
  const modulus = s.string.modulus ?? USUAL_MODULUS[s.string.kind];
  const tension = stringTension(unitMass(s.string), s.scale + s.compensation, s.string.frequency);
  // Loose threads bend without resisting.
  const second = s.string.kind === 'floss' ? 0 : (Math.PI * d ** 4) / 64;
  return {
    tension,
    pull: (modulus * Math.PI * d ** 2) / 4,
    bend: Math.sqrt((modulus * second) / tension) * 1000,
  };
}

/** Factor by which stiffness raises the pitch of a string held fast at one end and hinged at the other, mm and mm. */
export function stiffnessFactor(bend: number, length: number): number {
  const b = bend / length;
  return 1 + b + (1 + Math.PI ** 2 / 2) * b * b;
}

function centsAt(s: FrettedString, e: Elastic, open: number, fret: number): PredictedCents {
  const xs = s.scale + s.compensation;
  const rest = xs - fretPosition(s.scale, fret);
  const strain = (pressedPath(s, fret) - open) / (open + (s.behind ?? USUAL_BEHIND));
  const stretch = (CENTS / 2) * Math.log1p((e.pull * strain) / e.tension);
  const stiffness = CENTS * Math.log(stiffnessFactor(e.bend, rest) / stiffnessFactor(e.bend, xs));
  const length = CENTS * Math.log(xs / rest) - 100 * fret;
  return { fret, stretch, stiffness, length, total: stretch + stiffness + length };
}

/**
 * A forecast of the pitch errors of fretted notes before anything is cut: the longer path raises the tension by EA·ε, shared
 * with the string behind nut and saddle; the stiff core, held fast at nut or fret and hinged at the saddle, raises short
 * lengths more than the open one; the compensation lengthens them. The open string is in tune. A forecast moves nothing.
 *
 * Source: H. Fletcher, “Normal vibration frequencies of a stiff piano string”, J. Acoust. Soc. Am. 36 (1964) 203–209,
 * for ends held fast, each of which counts once; the fretted path as in G. U. Varieschi and C. M. Gower, “Intonation and compensation of fretted
 * string instruments”, Am. J. Phys. 78 (2010) 47–55.
 * @param frets the frets to report
 * @returns cents, sharp positive
 */
export function predictedCents(s: FrettedString, frets: readonly number[]): PredictedCents[] {
  const e = elastic(s);
  const open = Math.hypot(s.scale + s.compensation, s.saddle - s.nut);
  return frets.map((fret) => centsAt(s, e, open, fret));
}

/**
 * The compensation that brings the 12th-fret note into tune with the open string; the total falls as the saddle moves
 * back, so it is found between two ends by false position.
 * @returns mm, or null when no compensation up to 40 mm does it
 */
export function compensationFor12(s: FrettedString): Mm | null {
  // Only the length changes from try to try: tension goes with its square, the stiff length against it.
  const known = elastic(s);
  const at = (compensation: Mm): number => {
    const xs = s.scale + compensation;
    const longer = xs / (s.scale + s.compensation);
    const e = { pull: known.pull, tension: known.tension * longer ** 2, bend: known.bend / longer };
    return centsAt({ ...s, compensation }, e, Math.hypot(xs, s.saddle - s.nut), 12).total;
  };
  let [low, high] = [-LARGEST_COMPENSATION / 4, LARGEST_COMPENSATION];
  let [over, under] = [at(low), at(high)];
  if (over < 0 || under > 0) return null;
  let last = 0;
  for (let i = 0; i < MOST_STEPS; i++) {
    const next = (low * under - high * over) / (under - over);
    const error = at(next);
    if (Math.abs(error) < IN_TUNE) return next;
    // An end that stays twice running is given half its weight, or the other would creep.
    if (error > 0) {
      [low, over] = [next, error];
      if (last > 0) under /= 2;
    } else {
      [high, under] = [next, error];
      if (last < 0) over /= 2;
    }
    last = error;
  }
  return (low + high) / 2;
}
