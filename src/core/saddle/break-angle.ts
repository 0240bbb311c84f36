import type { Mm } from '../units/unit-types.ts';

/**
 * The angle at which the string leaves the saddle toward its exit: atan(rise over the exit / distance to it).
 * @param rise mm, over the exit point
 * @param run mm, along the string
 * @returns degrees
 * @example breakAngle(3, 12) → 14.04
 */
export const breakAngle = (rise: Mm, run: Mm): number => (Math.atan2(rise, run) * 180) / Math.PI;
