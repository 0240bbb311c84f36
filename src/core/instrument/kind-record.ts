import type { ConstructionFacts } from './construction-facts.ts';

/** Low, aim and high of what is aimed at, mm or cents. */
interface TargetBand {
  readonly low: number;
  readonly aim: number;
  readonly high: number;
}

/** A kind's starting bands, mm and cents. */
export interface KindTargets {
  readonly relief: TargetBand;
  readonly actionBass: TargetBand;
  readonly actionTreble: TargetBand;
  readonly nutGap: TargetBand;
  readonly intonation: TargetBand;
  /** a pickup under the outer strings, held at the last fret; absent where there is none to set */
  readonly pickupBass?: TargetBand | undefined;
  readonly pickupTreble?: TargetBand | undefined;
  /** a floating vibrato at rest */
  readonly vibratoFloat?: TargetBand | undefined;
}

/** Everything that is known of a kind of instrument before one is seen. A new kind is one record. */
export interface KindRecord {
  readonly name: string;
  /** what is usual for it, to be changed in seconds at the counter */
  readonly usual: ConstructionFacts;
  /** ordinary trade practice, every one a shop setting */
  readonly targets: KindTargets;
  /** its outline, where damage is marked */
  readonly outline: 'waisted' | 'rounded' | 'single-cut' | 'two-horned' | 'long-horned';
  /** plain strings of monofilament, wound ones on a core of floss; let go closer to the board's plane */
  readonly softStrung: boolean;
  /** what its wound strings are wrapped with */
  readonly wrap: 'bronze' | 'plated or stainless steel';
  /** heard without electricity */
  readonly acoustic: boolean;
  /** a braced top with its bridge glued on */
  readonly soundboard: boolean;
  /** a body one can look into */
  readonly hollow: boolean;
  /** pickups by magnets */
  readonly magnetic: boolean;
  /** worn on a strap */
  readonly strapped: boolean;
  /** usual number of pickups, where it has any */
  readonly pickups: number;
  /**
   * Action change at the 12th per change of relief read at the 7th with first and last fret pressed, before the shop's own
   * readings say better: it hangs on how the neck tapers.
   */
  readonly rodRatio: number;
  /**
   * Pluck force of the three touches, N for each newton that a string of the set pulls on the mean. Calibrated so that the
   * trade's own aims clear for their touch, and that the lowest that clears lies at the low end of its band: how far a hand
   * swings the string follows from what such players have put up with.
   */
  readonly pluck: { readonly light: number; readonly medium: number; readonly heavy: number };
}

/** A band in short. */
export const band = (low: number, aim: number, high: number): TargetBand => ({ low, aim, high });
