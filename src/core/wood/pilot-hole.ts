export type Wood = 'soft' | 'hard';

/** Root of a common wood screw as a share of its outer diameter. */
const USUAL_ROOT = 0.7;
/** Soft wood is pressed aside, hard wood is cut to the root. */
const DRILL_SHARE: Readonly<Record<Wood, number>> = { soft: 0.9, hard: 1 };
/** Threads hold fully at so many outer diameters. */
const HOLD_DIAMETERS: Readonly<Record<Wood, number>> = { soft: 6, hard: 4 };

/**
 * The pilot hole of a wood screw.
 * @param screw outer diameter, mm
 * @param wood where it goes
 * @param root root diameter, mm; 0.7 of the outer one when not measured
 * @returns `drill` in mm, and `depthFor`: the depth in mm at which the threads hold fully, where the flag goes
 * @example pilotHole(3, 'hard') → drill 2.1, depthFor 12
 */
export function pilotHole(
  screw: number,
  wood: Wood,
  root = USUAL_ROOT * screw,
): { readonly drill: number; readonly depthFor: number } {
  return { drill: root * DRILL_SHARE[wood], depthFor: screw * HOLD_DIAMETERS[wood] };
}
