import { buzzOf } from '../sound/buzz.ts';
import { hear } from '../sound/hear.ts';
import type { Sound } from '../sound/wav.ts';
import type { EarWord } from './ear-round.ts';
import {
  awaitedPlaces,
  beginPlaces,
  hearPlayed,
  placeNow,
  playAgain,
  skipPlace,
  type PlacePlan,
  type PlaceRound,
} from './place-round.ts';
import { PluckFinder } from './plucks.ts';
import { pluckTeller } from './plucks-told.ts';

/** What playing every place says, as it comes. */
export interface PlacesSaid {
  readonly kind: 'places';
  readonly round: PlaceRound;
  readonly stopped: boolean;
}

/** Every place that is played, under way. */
export interface ListeningPlaces {
  round(): PlaceRound;
  /** takes the next samples of the microphone or of a file */
  push(samples: Float32Array): readonly PlacesSaid[];
  /** does what somebody says by a key, a switch or knocks */
  say(word: EarWord): readonly PlacesSaid[];
  level(): number;
}

/** Less than half a fret: a place further off is none of this string's. */
const WITHIN = 48;

/** Begins playing every place. @param rate samples a second */
export function listenPlaces(plan: PlacePlan, rate: number): ListeningPlaces {
  const finder = new PluckFinder(rate);
  let round = beginPlaces(plan);
  const said = (stopped = false): PlacesSaid => ({ kind: 'places', round, stopped });

  function pluck(sound: Sound): PlacesSaid {
    const heard = hear(sound, { hz: awaitedPlaces(round), within: WITHIN });
    const { hz, inharmonicity, refused } = heard;
    const buzz =
      hz === null || inharmonicity === null || refused !== null ? null : buzzOf(sound, { hz, inharmonicity });
    round = hearPlayed(round, heard, buzz);
    return said();
  }

  function say(word: EarWord): PlacesSaid {
    if (word === 'stop') return said(true);
    round = word === 'again' ? playAgain(round) : skipPlace(round);
    return said();
  }

  return {
    round: () => round,
    level: () => finder.level(),
    say: (word) => [say(word)],
    push: pluckTeller(finder, {
      over: () => placeNow(round) === null,
      pluck,
      say,
      knocked: () => {
        round = { ...round, last: { kind: 'knocked' } };
        return said();
      },
    }),
  };
}
