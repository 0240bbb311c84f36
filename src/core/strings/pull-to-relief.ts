import type { Mm, Newton } from '../units/unit-types.ts';

/** How much more relief a newton of string pull usually gives, mm: least, likely, most. */
export const RELIEF_PER_NEWTON = { low: 0.0007, likely: 0.0009, high: 0.0011 } as const;

/** A change of relief with what it may be, mm; more relief positive, `low` the smaller number. */
export interface ReliefChange {
  readonly reliefChange: Mm;
  readonly low: Mm;
  readonly high: Mm;
}

/**
 * How far the relief goes when the pull of the strings changes: 0.7 to 1.1 µm for each newton.
 * @param before total pull, N
 * @param after total pull, N
 * @param perNewton mm for each newton where the shop knows it of this neck: then nothing is given or taken
 * @example 700 → 755 N: about 0.05 mm more, a heavier set
 */
export function pullToRelief(before: Newton, after: Newton, perNewton?: number): ReliefChange {
  const change = after - before;
  const at = (share: number): number => change * share;
  const ends =
    perNewton === undefined ? RELIEF_PER_NEWTON : { low: perNewton, likely: perNewton, high: perNewton };
  const [a, b] = [at(ends.low), at(ends.high)];
  return { reliefChange: at(ends.likely), low: Math.min(a, b), high: Math.max(a, b) };
}
