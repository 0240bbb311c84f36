import { buzzOf, type Buzz } from '../sound/buzz.ts';
import { hear } from '../sound/hear.ts';
import type { Sound } from '../sound/wav.ts';
import type { EarWord } from './ear-round.ts';
import { beginNoise, hearNoise, noiseAgain, type NoiseRound } from './noise-round.ts';
import { PluckFinder } from './plucks.ts';
import { pluckTeller } from './plucks-told.ts';

/** What hearing a noise says, as it comes. */
export interface NoiseSaid {
  readonly kind: 'noise';
  readonly round: NoiseRound;
  readonly stopped: boolean;
}

/** A noise that is heard before a try and with it, under way. */
export interface ListeningNoise {
  round(): NoiseRound;
  /** takes the next samples of the microphone or of a file */
  push(samples: Float32Array): readonly NoiseSaid[];
  /** does what somebody says by a key, a switch or knocks */
  say(word: EarWord): readonly NoiseSaid[];
  level(): number;
}

/** Begins to hear a noise. @param before plucks of it that were heard already @param rate samples a second */
export function listenNoise(before: readonly Buzz[], rate: number): ListeningNoise {
  const finder = new PluckFinder(rate);
  let round = beginNoise(before);
  const said = (stopped = false): NoiseSaid => ({ kind: 'noise', round, stopped });

  function pluck(sound: Sound): NoiseSaid {
    const heard = hear(sound);
    const { hz, inharmonicity, refused } = heard;
    const told = hz !== null && inharmonicity !== null && refused === null;
    round = hearNoise(round, heard, told ? buzzOf(sound, { hz, inharmonicity }) : null);
    return said();
  }

  function say(word: EarWord): NoiseSaid {
    if (word === 'stop') return said(true);
    if (word === 'again') round = noiseAgain(round);
    return said();
  }

  return {
    round: () => round,
    level: () => finder.level(),
    say: (word) => [say(word)],
    push: pluckTeller(finder, {
      over: () => round.at === 'over',
      pluck,
      say,
      knocked: () => {
        round = { ...round, last: { kind: 'knocked' } };
        return said();
      },
    }),
  };
}
