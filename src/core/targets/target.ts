import type { Band } from '../neck/truss-rod.ts';
import type { Quantity } from '../readings/quantities.ts';

export type Touch = 'light' | 'medium' | 'heavy';
export const TOUCHES: Readonly<Record<Touch, string>> = {
  light: 'light touch',
  medium: 'medium touch',
  heavy: 'plays hard',
};

/** The layers of a target, the later winning. */
export const LAYERS = ['kind', 'touch', 'job'] as const;
export type Layer = (typeof LAYERS)[number];

/** Which end of the board a target is for; quantities with one target use `both`. */
export type Side = 'bass' | 'treble' | 'both';

/** A band (mm or cents) with the layer it came from. */
export interface Target extends Band {
  readonly layer: Layer;
}

export interface TargetWish extends Band {
  readonly quantity: Quantity;
  readonly side: Side;
}

export type Verdict = 'in' | 'edge' | 'low' | 'high';

/**
 * How a reading stands to its band. `edge` is inside, within a tenth of the band's width of an end.
 * @param tells what the gauge can tell apart, in the band's unit: less than that outside still counts as reached
 * @example verdict(2.6, { low: 2, aim: 2.2, high: 2.5 }) → 'high'
 */
export function verdict(value: number, band: Band, tells = 0): Verdict {
  if (value < band.low - tells) return 'low';
  if (value > band.high + tells) return 'high';
  const margin = (band.high - band.low) / 10;
  return value < band.low + margin || value > band.high - margin ? 'edge' : 'in';
}
