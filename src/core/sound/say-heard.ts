import type { Hz } from '../units/unit-types.ts';
import { buzzOf } from './buzz.ts';
import { ANY_PITCH, hear, USUAL_REACH, type Refused } from './hear.ts';
import { centsFrom, nearestNote } from './note-of.ts';
import type { Sound } from './wav.ts';

/** What is told of a sound. */
export interface HeardNote {
  /** the note it is nearest to; null where no pitch was heard */
  readonly heard: string | null;
  /** the first partial of the fitted series n·f0·√(1 + B·n²) */
  readonly hz: Hz | null;
  /** against what is expected, else against the nearest note */
  readonly cents: number | null;
  /** one standard deviation, cents */
  readonly uncertainty: number | null;
  readonly inharmonicity: number | null;
  /** how much it buzzes, 0 to 1; null where it can’t be told */
  readonly buzz: number | null;
  /** how long the steady part was that was used */
  readonly seconds: number;
  readonly refused: Refused | null;
}

/** What is heard in a sound, as a note. */
export function heardNote(sound: Sound, expected: Hz | null, reference: Hz): HeardNote {
  const awaited = expected === null ? ANY_PITCH : { hz: [expected], within: USUAL_REACH };
  const { hz, uncertainty, inharmonicity, seconds, refused } = hear(sound, awaited);
  const note = hz === null ? null : nearestNote(hz, reference);
  const cents =
    hz === null || note === null ? null : expected === null ? note.cents : centsFrom(hz, expected);
  const buzz =
    hz === null || inharmonicity === null ? null : (buzzOf(sound, { hz, inharmonicity })?.amount ?? null);
  return { heard: note?.name ?? null, hz, cents, uncertainty, inharmonicity, buzz, seconds, refused };
}
