import type { BodyMode } from '../sound/body-modes.ts';
import { centsFrom } from '../sound/note-of.ts';
import type { PlayedPlace } from './place-round.ts';

/** A place whose note a strong resonance lies on: it may come out louder, die sooner or waver. */
export interface WolfPlace {
  readonly mode: BodyMode;
  readonly place: PlayedPlace;
  /** by how much the resonance stands over the note, cents */
  readonly off: number;
}

/** A resonance draws a note that is so near, cents. */
const NEAR = 35;
/** Only those that are as loud as that against the loudest draw, dB. */
const STRONG = -12;

/** The places of a neck whose note a strong resonance of its body lies on, by resonance, then as the places come. */
export const wolfPlaces = (
  modes: readonly BodyMode[],
  places: readonly PlayedPlace[],
): readonly WolfPlace[] =>
  modes
    .filter((m) => m.level >= STRONG)
    .flatMap((mode) =>
      places
        .map((place) => ({ mode, place, off: centsFrom(mode.hz, place.hz) }))
        .filter(({ off }) => Math.abs(off) <= NEAR),
    );
