import { fretPosition } from './fret-position.ts';
import type { Mm } from '../units/unit-types.ts';

/**
 * What comes off the foot of a glued neck's heel to lift the fret plane at the saddle: H·Δ/(x_s − x_joint).
 * @param joint the fret at the body joint
 * @param heelDepth H, mm
 * @param lift Δ wanted at the saddle, mm
 * @returns `atHeel` in mm and the angle in degrees
 * @example neckReset(648, 14, 90, 3, 2) → atHeel 0.93 mm
 */
export function neckReset(
  scale: Mm,
  joint: number,
  heelDepth: Mm,
  lift: Mm,
  compensation: Mm = 0,
): { readonly atHeel: Mm; readonly angle: number } {
  const arm = scale + compensation - fretPosition(scale, joint);
  return { atHeel: (heelDepth * lift) / arm, angle: (Math.atan(lift / arm) * 180) / Math.PI };
}
