import { fretPosition } from '../neck/fret-position.ts';
import type { Mm } from '../units/unit-types.ts';

export interface SaddleChange {
  /** mm, negative comes down */
  readonly change: Mm;
  /** mm, the safe first cut or lift */
  readonly firstCut: Mm;
}

/**
 * Saddle change for an action change: ΔS = Δa_n·x_s/x_n. Twice at the 12th fret, a little over with compensation.
 * @param scale mm
 * @param fret where the action is read
 * @param now action now, mm
 * @param target action wanted, mm
 * @param compensation mm
 * @param firstCutShare what is taken first, because what comes off cannot be put back
 * @example saddleHeight(648, 12, 2.4, 2.0) → change −0.8, firstCut −0.64
 */
export function saddleHeight(
  scale: Mm,
  fret: number,
  now: Mm,
  target: Mm,
  compensation: Mm = 0,
  firstCutShare = 0.8,
): SaddleChange {
  if (!(fret > 0)) throw new RangeError('action must be read at a fret');
  const change = ((target - now) * (scale + compensation)) / fretPosition(scale, fret);
  return { change, firstCut: change * firstCutShare };
}
