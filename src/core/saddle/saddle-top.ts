import type { Mm } from '../units/unit-types.ts';

/** The arc of the board under the strings at the saddle: one radius in mm, or flat. */
export type Radius = number | 'flat';

/** The fingerboard's radius grows in a straight line from the nut to its end and on to the saddle. */
export interface CompoundRadius {
  readonly nutRadius: Mm;
  readonly endRadius: Mm;
  /** mm from the nut to the end of the board */
  readonly boardLength: Mm;
}

/**
 * Radius of a compound board's cone at the saddle.
 * @param at the saddle's distance from the nut, mm
 * @example nut 254, end 406 at 460 mm → 469 at 650 mm
 */
export const radiusAt = (c: CompoundRadius, at: Mm): Mm =>
  c.nutRadius + ((c.endRadius - c.nutRadius) * at) / c.boardLength;

/** Height of an arc over the chord through ±half, at a distance u from its middle, mm. */
export function arcOver(radius: Radius, half: Mm, u: Mm): Mm {
  if (radius === 'flat') return 0;
  return Math.sqrt(radius ** 2 - u ** 2) - Math.sqrt(radius ** 2 - half ** 2);
}

/**
 * Height of each string at the saddle: a straight line from bass to treble, and the board's arc on it.
 * @param spacing between the outer strings, mm
 * @param strings how many, evenly spaced
 * @param bass height of the outer string on the bass side, mm; `treble` the other
 * @returns mm, bass to treble
 * @throws RangeError when the arc cannot span the strings
 */
export function saddleTop(radius: Radius, spacing: Mm, strings: number, bass: Mm, treble: Mm): Mm[] {
  const half = spacing / 2;
  if (radius !== 'flat' && !(radius > half))
    throw new RangeError('the radius must reach over the outer strings');
  return Array.from({ length: strings }, (_, i) => {
    const share = strings === 1 ? 0.5 : i / (strings - 1);
    return bass + (treble - bass) * share + arcOver(radius, half, (share - 0.5) * spacing);
  });
}
