import { KIND_RECORDS, type Kind } from '../instrument/kinds.ts';
import { fretPosition } from './fret-position.ts';
import type { Mm } from '../units/unit-types.ts';

/** The ratio where the kind is not said. */
export const USUAL_RATIO = 1.65;

/** The ratio of a kind of instrument. */
export const ratioOf = (kind: Kind): number => KIND_RECORDS[kind].rodRatio;
const READ_AT = 12;

/**
 * How far a fret's action follows the bow, for a neck that bends evenly from nut to body joint and is straight over the
 * body: seen from the body the nut rises by 4Δr, the fret by 4Δr(1 − x_n/x_j)².
 */
function bowShape(scale: Mm, joint: number, fret: number): number {
  const [xj, xn] = [fretPosition(scale, joint), fretPosition(scale, fret)];
  const bent = xn < xj ? (1 - xn / xj) ** 2 : 0;
  return 4 * (1 - xn / scale - bent);
}

/**
 * Action change per relief change at a fret: the usual 1.65 at the 12th, carried to other frets by the even bend.
 * @param joint the fret at the body joint
 * @example rodRatio(648, 14, 12) → 1.65; rodRatio(648, 14, 17) → 1.26
 */
export const rodRatio = (scale: Mm, joint: number, fret: number): number =>
  (USUAL_RATIO * bowShape(scale, joint, fret)) / bowShape(scale, joint, READ_AT);

/**
 * What a change of relief does to the action at a fret. A prior: the shop's own before-and-after readings replace it.
 * @param reliefChange mm, negative when the rod is tightened
 * @param ratio action change per relief change at that fret, when the shop knows it
 * @returns mm, and the ratio used
 */
export function rodToAction(
  scale: Mm,
  joint: number,
  reliefChange: Mm,
  fret: number,
  ratio = rodRatio(scale, joint, fret),
): { readonly actionChange: Mm; readonly ratio: number } {
  return { actionChange: ratio * reliefChange, ratio };
}
