import type { Kind } from '../instrument/kinds.ts';
import type { Band } from '../neck/truss-rod.ts';

/** A kind's starting bands, mm and cents. */
export interface KindTargets {
  readonly relief: Band;
  readonly actionBass: Band;
  readonly actionTreble: Band;
  readonly nutGap: Band;
  readonly intonation: Band;
  /** a pickup under the outer strings, held at the last fret; absent where there is none to set */
  readonly pickupBass?: Band | undefined;
  readonly pickupTreble?: Band | undefined;
  /** a floating vibrato at rest */
  readonly vibratoFloat?: Band | undefined;
}

const band = (low: number, aim: number, high: number): Band => ({ low, aim, high });
const CENTS = band(-2, 0, 2);

const STEEL: KindTargets = {
  relief: band(0.15, 0.2, 0.25),
  actionBass: band(2.0, 2.2, 2.5),
  actionTreble: band(1.5, 1.7, 2.0),
  nutGap: band(0.05, 0.1, 0.15),
  intonation: CENTS,
};
const ELECTRIC: KindTargets = {
  relief: band(0.12, 0.18, 0.25),
  actionBass: band(1.5, 1.7, 2.0),
  actionTreble: band(1.2, 1.4, 1.6),
  nutGap: band(0.03, 0.06, 0.1),
  intonation: CENTS,
  pickupBass: band(1.8, 2.4, 3.2),
  pickupTreble: band(1.4, 2.0, 2.8),
  vibratoFloat: band(2.2, 3.0, 4.0),
};

/** Starting targets by kind: ordinary trade practice, every one a shop setting. */
export const KIND_TARGETS: Readonly<Record<Kind, KindTargets>> = {
  'steel-acoustic': STEEL,
  'twelve-string': {
    relief: band(0.1, 0.15, 0.2),
    actionBass: band(1.8, 2.0, 2.3),
    actionTreble: band(1.4, 1.5, 1.8),
    nutGap: band(0.04, 0.08, 0.12),
    intonation: CENTS,
  },
  nylon: {
    relief: band(0.05, 0.15, 0.25),
    actionBass: band(3.3, 3.7, 4.1),
    actionTreble: band(2.7, 3.0, 3.3),
    nutGap: band(0.1, 0.17, 0.25),
    intonation: band(-3, 0, 3),
  },
  'solid-electric': ELECTRIC,
  'semi-hollow': ELECTRIC,
  archtop: ELECTRIC,
  bass: {
    relief: band(0.25, 0.32, 0.4),
    actionBass: band(2.0, 2.2, 2.6),
    actionTreble: band(1.6, 1.8, 2.1),
    nutGap: band(0.05, 0.1, 0.15),
    intonation: CENTS,
    pickupBass: band(2.0, 2.8, 3.8),
    pickupTreble: band(1.6, 2.4, 3.4),
    vibratoFloat: band(2.2, 3.0, 4.0),
  },
  ukulele: {
    relief: band(0, 0.05, 0.1),
    actionBass: band(2.0, 2.4, 2.7),
    actionTreble: band(2.0, 2.4, 2.7),
    nutGap: band(0.08, 0.14, 0.2),
    intonation: band(-4, 0, 4),
  },
};
