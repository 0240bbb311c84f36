import type { Mm } from '../units/unit-types.ts';

/**
 * Distance of a fret from the nut's front edge, along the string: x_n = L·(1 − 2^(−n/12)).
 * @param scale scale length L in mm
 * @param fret number n, 0 is the nut; a real number is allowed
 * @returns mm
 * @throws RangeError when the scale is not positive or the fret is negative
 * @example fretPosition(648, 12) → 324
 */
export function fretPosition(scale: Mm, fret: number): Mm {
  if (!(scale > 0) || !Number.isFinite(scale)) throw new RangeError('scale must be a positive length');
  if (!(fret >= 0) || !Number.isFinite(fret)) throw new RangeError('fret must be 0 or more');
  return scale * (1 - 2 ** (-fret / 12));
}
