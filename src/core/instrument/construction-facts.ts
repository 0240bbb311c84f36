import type { BoardRadius } from './board-radius.ts';

/** Choices of each construction fact, in the bench's words. */
export const FACTS = {
  joint: {
    glued: 'glued',
    bolted: 'bolted',
    'bolted-shims': 'bolted, with shims',
    'tilt-screw': 'bolted, with a tilt screw',
  },
  rod: { none: 'none', 'one-way': 'one-way', 'two-way': 'two-way' },
  rodNut: { headstock: 'at the headstock', soundhole: 'at the soundhole', heel: 'at the heel' },
  bridge: {
    pinned: 'pinned, one-piece saddle',
    'tie-block': 'tie block',
    individual: 'individual saddles',
    'individual-fixed': 'individual saddles, fixed',
    floating: 'floating, with tailpiece',
    thumbwheel: 'thumbwheels at its two ends',
  },
  vibrato: { none: 'none', fixed: 'resting on the body', floating: 'floating' },
  nut: { bone: 'bone', synthetic: 'synthetic', brass: 'brass', wood: 'wood', other: 'other' },
  electronics: {
    none: 'none',
    passive: 'passive',
    active: 'active, battery',
    'under-saddle': 'under-saddle, battery',
  },
  finish: {
    lacquer: 'nitrocellulose',
    poly: 'polyester or polyurethane',
    shellac: 'shellac',
    oil: 'oil',
    unknown: 'not known',
  },
  fingerboard: { raw: 'raw wood', lacquered: 'lacquered' },
} as const;

type Choice<F extends keyof typeof FACTS> = keyof (typeof FACTS)[F];

/** One string of the set: its note in the tuning used, gauge in mm, wound or plain. First is the lowest. */
export interface StringFact {
  readonly note: string;
  readonly gauge: number;
  readonly wound: boolean;
}

/** Frets that fan out: the scale at both sides of the board, mm, and the fret that stands square to the neck, 0 the nut. */
export interface Fan {
  readonly bass: number;
  readonly treble: number;
  readonly straight: number;
}

/** The facts that decide, with the kind, what can be checked and how it is adjusted. Lengths in mm. */
export interface ConstructionFacts {
  readonly leftHanded: boolean;
  /** the middle of both scales where frets fan out */
  readonly scale: number;
  /** absent where frets stand straight */
  readonly fan?: Fan | undefined;
  readonly compensation: number;
  readonly frets: number;
  /** the fret at the body joint */
  readonly bodyFret: number;
  /** strings a course, 2 on a 12-string */
  readonly perCourse: 1 | 2;
  readonly strings: readonly StringFact[];
  readonly joint: Choice<'joint'>;
  readonly rod: Choice<'rod'>;
  readonly rodNut: Choice<'rodNut'>;
  readonly bridge: Choice<'bridge'>;
  readonly vibrato: Choice<'vibrato'>;
  readonly nut: Choice<'nut'>;
  readonly electronics: Choice<'electronics'>;
  readonly finish: Choice<'finish'>;
  readonly fingerboard: Choice<'fingerboard'>;
  /** absent where nobody has looked */
  readonly radius?: BoardRadius | undefined;
  /** the key the rod's nut takes, as it is said: `4 mm`, `5/16 in` */
  readonly rodKey?: string | undefined;
  /** springs of a vibrato */
  readonly springs?: number | undefined;
}
