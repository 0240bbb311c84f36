import { fretPosition } from './fret-position.ts';
import type { Mm } from '../units/unit-types.ts';

/** Lengths in mm; `planeAboveBridge` is where the fret plane passes over the bridge's top, at the saddle. */
export interface NeckAngleInput {
  readonly planeAboveBridge: Mm;
  readonly scale: Mm;
  readonly compensation: Mm;
  readonly nut: Mm;
  readonly fret: number;
  readonly targetAction: Mm;
  readonly standout: { readonly low: number; readonly high: number };
}

export interface NeckAngle {
  /** saddle over the fret plane, mm */
  readonly saddleHeight: Mm;
  /** saddle over the bridge, mm */
  readonly standout: Mm;
  readonly verdict: 'saddle' | 'steeper' | 'shallower';
  /** mm outside the shop's limits, 0 when the saddle alone does it */
  readonly shortBy: Mm;
}

/**
 * Whether the saddle alone can give the wanted action, or the neck's angle must change: the saddle stands p = e + S
 * out of the bridge.
 * @example plane 1 mm over the bridge, 648 mm, nut 0.5, 2.0 wanted at 12 → saddle 3.5, standout 4.5
 */
export function neckAngle(i: NeckAngleInput): NeckAngle {
  const xs = i.scale + i.compensation;
  const saddleHeight = i.nut + ((i.targetAction - i.nut) * xs) / fretPosition(i.scale, i.fret);
  const standout = i.planeAboveBridge + saddleHeight;
  if (standout < i.standout.low) {
    return { saddleHeight, standout, verdict: 'steeper', shortBy: i.standout.low - standout };
  }
  if (standout > i.standout.high) {
    return { saddleHeight, standout, verdict: 'shallower', shortBy: standout - i.standout.high };
  }
  return { saddleHeight, standout, verdict: 'saddle', shortBy: 0 };
}
