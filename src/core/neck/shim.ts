import { fretPosition } from './fret-position.ts';
import type { Mm } from '../units/unit-types.ts';

/** Where the shim lies: distances from the nut in mm of the pocket's lip and of its inner end. */
export interface ShimPlace {
  readonly scale: Mm;
  readonly compensation: Mm;
  readonly lip: Mm;
  readonly end: Mm;
  readonly fret: number;
}

export interface Shim {
  readonly lipThickness: Mm;
  readonly endThickness: Mm;
  /** degrees, positive when it is thicker at the inner end */
  readonly angle: number;
  /** how far the strings come down at the saddle, mm */
  readonly saddleDrop: Mm;
  /** change of the action at the fret, mm, up positive */
  readonly actionChange: Mm;
}

const degrees = (rise: number, run: number): number => (Math.atan(rise / run) * 180) / Math.PI;

/**
 * What a shim under a bolted neck does. The fret plane rises by t(x) = t_a + (t_b − t_a)(x − x_a)/(x_b − x_a), so the
 * strings come down by t(x_s) at the saddle and by t(x_s)·x_n/x_s at the fret. The nut moves with the neck.
 * @example lip 410, end 480, 0 and 0.5 mm on 648 mm → saddleDrop 1.7, action at 12 −0.85
 */
export function shim(p: ShimPlace, lipThickness: Mm, endThickness: Mm): Shim {
  const xs = p.scale + p.compensation;
  const slope = (endThickness - lipThickness) / (p.end - p.lip);
  const saddleDrop = lipThickness + slope * (xs - p.lip);
  return {
    lipThickness,
    endThickness,
    angle: degrees(endThickness - lipThickness, p.end - p.lip),
    saddleDrop,
    actionChange: (-saddleDrop * fretPosition(p.scale, p.fret)) / xs,
  };
}

/**
 * The shim that gives a wanted change of action at the fret, for a thickness at the lip.
 * @param wanted mm, up positive
 */
export function shimFor(p: ShimPlace, lipThickness: Mm, wanted: Mm): Shim {
  const xs = p.scale + p.compensation;
  const drop = (-wanted * xs) / fretPosition(p.scale, p.fret);
  const endThickness = lipThickness + ((drop - lipThickness) * (p.end - p.lip)) / (xs - p.lip);
  return shim(p, lipThickness, endThickness);
}
