import { fretPosition } from '../neck/fret-position.ts';
import type { Mm, Newton } from '../units/unit-types.ts';

/** One string over the neck. Lengths in mm, tension and force in N. */
export interface ClearanceString {
  readonly scale: Mm;
  readonly compensation: Mm;
  readonly frets: number;
  /** height over the fret plane at the nut and at the saddle */
  readonly nut: Mm;
  readonly saddle: Mm;
  /** fret tops over the fret plane; index is the fret, 0 is not used */
  readonly tops: Float64Array;
  readonly tension: Newton;
  /** pluck force, and the share of the motion that goes toward the frets */
  readonly force: Newton;
  readonly share: number;
  /** distance of the pluck from the saddle */
  readonly pluck: Mm;
}

/** By held position 0 … frets − 1: the tightest fret above it, its gap at rest and its margin. mm */
export interface ClearanceMap {
  readonly fret: Uint8Array;
  readonly still: Float64Array;
  readonly margin: Float64Array;
}

/** Positions of the nut and all frets, mm. */
export function fretPositions(scale: Mm, frets: number): Float64Array {
  return Float64Array.from({ length: frets + 1 }, (_, n) => fretPosition(scale, n));
}

/** The neck's bow as fret tops: −max·4(x − x_p)(x_q − x)/(x_q − x_p)² between two frets, 0 outside. mm */
export function reliefTops(
  scale: Mm,
  frets: number,
  relief?: { readonly low: number; readonly high: number; readonly max: number },
): Float64Array {
  const tops = new Float64Array(frets + 1);
  if (!relief) return tops;
  const [p, q] = [fretPosition(scale, relief.low), fretPosition(scale, relief.high)];
  for (let n = relief.low + 1; n < relief.high && n <= frets; n++) {
    const x = fretPosition(scale, n);
    tops[n] = (-relief.max * 4 * (x - p) * (q - x)) / (q - p) ** 2;
  }
  return tops;
}

/**
 * How far the lower corner of a plucked string's motion lies under its rest line, mm: A = share·F·p(ℓ − p)/(Tℓ).
 * @param length sounding length ℓ
 * @param pluck distance p from the saddle, at most ℓ/2
 */
export const pluckDepth = (s: ClearanceString, length: Mm, pluck: Mm): number =>
  (s.share * s.force * pluck * (length - pluck)) / (s.tension * length);

/**
 * Clearance of one string at every held position over all frets above it. A string plucked at p from the saddle moves
 * within a parallelogram whose lower corner stands at the mirror point, p from the held end.
 * @param x positions of nut and frets, when they are known already
 */
export function clearance(s: ClearanceString, x = fretPositions(s.scale, s.frets)): ClearanceMap {
  const xs = s.scale + s.compensation;
  const map = {
    fret: new Uint8Array(s.frets),
    still: new Float64Array(s.frets),
    margin: new Float64Array(s.frets).fill(Infinity),
  };
  for (let held = 0; held < s.frets; held++) {
    const from = x[held] ?? 0;
    const height = held === 0 ? s.nut : (s.tops[held] ?? 0);
    const length = xs - from;
    const p = Math.min(s.pluck, length / 2);
    const depth = pluckDepth(s, length, p);
    const slope = (s.saddle - height) / length;
    let least = Infinity;
    for (let n = held + 1; n <= s.frets; n++) {
      const at = (x[n] ?? 0) - from;
      const still = height + slope * at - (s.tops[n] ?? 0);
      const margin = still - depth * (at <= p ? at / p : (length - at) / (length - p));
      if (margin >= least) continue;
      least = margin;
      map.fret[held] = n;
      map.still[held] = still;
      map.margin[held] = margin;
    }
  }
  return map;
}

/** Clearance of all strings of a neck, fast enough to follow a slider. */
export const clearanceOfNeck = (strings: readonly ClearanceString[]): ClearanceMap[] =>
  strings.map((s) => clearance(s));
