import { fretPosition } from '../neck/fret-position.ts';
import type { Mm } from '../units/unit-types.ts';

/**
 * How much deeper a nut slot goes to bring the gap over fret 1 to its target, the string held at fret m:
 * Δslot = Δg/(1 − x_1/x_m). The scale cancels.
 * @param heldAt the fret the string is held at, 2 or more
 * @param gap over fret 1 now, mm
 * @param target wanted gap, mm
 * @returns `deeper` in mm (negative: the slot is already too deep) and `perGap`, slot per gap
 * @example nutSlot(3, 0.20, 0.10) → perGap 1.55, deeper 0.155
 */
export function nutSlot(heldAt: number, gap: Mm, target: Mm): { deeper: Mm; perGap: number } {
  if (!(heldAt > 1)) throw new RangeError('hold the string beyond fret 1');
  const perGap = 1 / (1 - fretPosition(1, 1) / fretPosition(1, heldAt));
  return { deeper: (gap - target) * perGap, perGap };
}

/** The fret a string lies on while the gap over fret 1 is read the usual way: a finger behind fret 3 lays it on fret 2. */
export const LIES_ON = 2;
