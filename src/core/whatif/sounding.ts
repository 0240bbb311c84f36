import type { StringFact } from '../instrument/construction-facts.ts';
import { USUAL_MODULUS } from '../intonation/predicted.ts';
import { massOnInstrument, stringMake } from '../strings/string-pull.ts';
import { bearingDiameter, type StringKind } from '../strings/unit-mass.ts';
import { rattling } from '../sound/rattle.ts';
import { stringSound, type PluckedBy, type SoundingString } from '../sound/string-motion.ts';
import { stringOf, type Hand } from './clearance-map.ts';
import { positionsByString, positionsOf, type Outcome } from './consequences.ts';
import type { Moves } from './moves.ts';
import type { NeckModel } from './neck-model.ts';

/** A place of a neck as it would sound: the string from where it is held, and the hand that plucks it. */
export interface SoundingPlace {
  readonly string: SoundingString;
  readonly by: PluckedBy;
  /** the frets in front of it, as they lie under it */
  readonly frets: readonly number[];
  /** how often it swings, where something loose rattles along with that, Hz */
  readonly rattlesAt?: number;
}

/** How fast strings die away: every partial alike (1/s), and more with the square of its pitch (s). */
const LOSSES: Readonly<Record<StringKind, SoundingString['losses']>> = {
  plain: { all: 1.1, high: 1.2e-8 },
  wound: { all: 1.2, high: 2e-8 },
  floss: { all: 2.2, high: 9e-8 },
  nylon: { all: 2.6, high: 7e-8 },
  fluorocarbon: { all: 2.2, high: 4e-8 },
};

/** B of a stiff string's series from its core, pull and sounding length (mm); loose threads bend without resisting. */
function inharmonicity(kind: StringKind, core: number, tension: number, length: number): number {
  if (kind === 'floss') return 1e-6;
  const [d, l] = [core / 1000, length / 1000];
  return (Math.PI ** 3 * USUAL_MODULUS[kind] * d ** 4) / (64 * tension * l * l);
}

/**
 * A string of a neck held at a place, over the frets in front of it, as it was read or as it is tried.
 * @param index from the lowest string
 * @param held 0 is open
 */
export function soundingPlace(
  m: NeckModel,
  o: Outcome,
  moves: Pick<Moves, 'strings'>,
  index: number,
  held: number,
  hand: Hand,
): SoundingPlace {
  const neck = stringOf(m, o, index, hand);
  const fact: StringFact = (moves.strings ?? m.strings)[index] ?? { note: 'E2', gauge: 1, wound: false };
  const make = stringMake(m.construction, fact);
  const x = positionsByString(m.construction, positionsOf(m.construction))[index] ?? new Float64Array();
  const from = held === 0 ? 0 : (x[held] ?? 0);
  const length = neck.scale + neck.compensation - from;
  const height = held === 0 ? neck.nut : (neck.tops[held] ?? 0);
  const frets = Array.from({ length: Math.max(0, neck.frets - held) }, (_, k) => held + 1 + k);
  const under = frets.map((n) => {
    const at = (x[n] ?? 0) - from;
    const string = height + ((neck.saddle - height) * at) / length;
    // What lies on it at rest is touched from the first moment.
    return { at, gap: Math.max(0, string - (neck.tops[n] ?? 0)) };
  });
  const { tension } = neck;
  return {
    frets,
    string: {
      length,
      tension,
      mass: massOnInstrument(m.construction, fact),
      inharmonicity: inharmonicity(make.kind, bearingDiameter(make), tension, length),
      losses: LOSSES[make.kind],
      under,
    },
    by: { fromSaddle: Math.min(hand.pluck, length / 2), force: hand.force, share: hand.share },
  };
}

/** How a place sounds, and what it touches. */
export interface PlaceSound {
  readonly rate: number;
  /** between −1 and 1, by the force of the pluck: two of one hand compare */
  readonly samples: Float32Array;
  /** the frets it touches, each with how long, s; the longest first */
  readonly touched: readonly { readonly fret: number; readonly seconds: number }[];
}

const RATE = 44_100;
const SECONDS = 1.5;
const FADE = 0.06;
/** What the saddle feels of a pluck at most, by its force. */
const LOUDEST_PART = 1.7;
/** Shorter than that nothing is heard of it, s. */
const HARDLY = 2e-4;

/** A place as one hears it: a second and a half, ended softly. */
export function soundOfPlace({ string, by, frets, rattlesAt }: SoundingPlace): PlaceSound {
  const { samples: alone, touched } = stringSound(string, by, { rate: RATE, seconds: SECONDS });
  const samples = rattlesAt === undefined ? alone : rattling(alone, RATE, rattlesAt);
  const loud = LOUDEST_PART * by.force;
  const fade = Math.round(FADE * RATE);
  const ended = samples.map(
    (x, i) => Math.max(-1, Math.min(1, x / loud)) * Math.min(1, (samples.length - 1 - i) / fade),
  );
  return {
    rate: RATE,
    samples: ended,
    touched: touched
      .flatMap((seconds, i) => (seconds > HARDLY ? [{ fret: frets[i] ?? 0, seconds }] : []))
      .sort((a, b) => b.seconds - a.seconds),
  };
}
