import type { Band } from '../neck/truss-rod.ts';
import type { Quantity } from '../readings/quantities.ts';

export type Touch = 'light' | 'medium' | 'heavy';
export const TOUCHES: Readonly<Record<Touch, string>> = {
  light: 'light touch',
  medium: 'medium touch',
  heavy: 'plays hard',
};

/** The touch that is planned for where nobody said how hard it is played. */
export const playedWith = (touch: Touch | null): Touch => touch ?? 'medium';

/** How hard it is played, in words. */
export const sayTouch = (touch: Touch | null): string => (touch === null ? 'touch not said' : TOUCHES[touch]);

/** The layers of a target, the later winning. */
export const LAYERS = ['kind', 'touch', 'tuning', 'customer', 'job'] as const;
export type Layer = (typeof LAYERS)[number];

/** What a layer is called on the screen. */
export const LAYER_NAMES: Readonly<Record<Layer, string>> = {
  kind: 'the kind',
  touch: 'the touch',
  tuning: 'the tuning',
  customer: 'the customer’s wish',
  job: 'this job',
};

/** Which end of the board a target is for; quantities with one target use `both`. */
export type Side = 'bass' | 'treble' | 'both';

/** A band (mm or cents) with the layer it came from. */
export interface Target extends Band {
  readonly layer: Layer;
}

/** Wishes as they are said at the counter, against what is there now: mm at the 12th fret. */
export const RELATIVE_WISHES = {
  'much-lower': { says: 'clearly lower than now', by: -0.5 },
  'little-lower': { says: 'a little lower than now', by: -0.25 },
  'as-now': { says: 'as it is now', by: 0 },
  'little-higher': { says: 'a little higher than now', by: 0.25 },
  'much-higher': { says: 'clearly higher than now', by: 0.5 },
} as const;
export type RelativeWish = keyof typeof RELATIVE_WISHES;

/** A wish for a quantity: by side, or for one string. A relative one has no numbers until the place was read. */
export interface TargetWish extends Band {
  readonly quantity: Quantity;
  readonly side: Side;
  /** one string; absent or 0 for a side */
  readonly string?: number | undefined;
  readonly layer?: 'customer' | 'job' | undefined;
  readonly relative?: RelativeWish | undefined;
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
