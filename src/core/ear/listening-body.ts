import { bodyModes, HIGHEST_MODE, knocksIn, type BodyModes } from '../sound/body-modes.ts';
import { soundPicture, type SoundPicture } from '../sound/sound-picture.ts';
import type { Sound } from '../sound/wav.ts';
import type { EarWord } from './ear-round.ts';

/** What knocking on a body says, as it comes. */
export interface BodySaid {
  readonly kind: 'body';
  /** knocks that were heard */
  readonly knocks: number;
  /** what they say, once they are through; null before, and where it was stopped without any */
  readonly heard: HeardBody | null;
  readonly stopped: boolean;
}

/** A body as it was heard. */
export interface HeardBody extends BodyModes {
  readonly picture: SoundPicture;
}

/** A body that is knocked on, under way. */
export interface ListeningBody {
  push(samples: Float32Array): readonly BodySaid[];
  say(word: EarWord): readonly BodySaid[];
  level(): number;
}

/** So many knocks are enough, and so long is listened at most, s. */
export const ENOUGH_KNOCKS = 5;
const LONGEST_S = 12;
const RINGS_OUT_S = 0.6;
const COUNT_EVERY_S = 0.25;
/** The picture: so many moments, and from shortly before the first knock, s. */
const COLUMNS = 400;
const BEFORE_S = 0.1;

/** Begins to hear knocks on a body. @param rate samples a second */
export function listenBody(rate: number): ListeningBody {
  const kept = new Float32Array(LONGEST_S * rate);
  let [filled, counted, knocks, over] = [0, 0, 0, false];
  const sound = (): Sound => ({ rate, samples: kept.subarray(0, filled) });
  const said = (heard: HeardBody | null, stopped = false): BodySaid => ({
    kind: 'body',
    knocks,
    heard,
    stopped,
  });

  function end(stopped: boolean): BodySaid {
    over = true;
    const begins = knocksIn(sound());
    knocks = begins.length;
    const [first] = begins;
    if (first === undefined) return said(null, true);
    const from = Math.max(0, first - Math.round(BEFORE_S * rate));
    const picture = soundPicture({ rate, samples: kept.subarray(from, filled) }, HIGHEST_MODE, COLUMNS);
    return said({ ...bodyModes(sound()), picture }, stopped);
  }

  function push(samples: Float32Array): readonly BodySaid[] {
    if (over) return [];
    const fits = samples.subarray(0, kept.length - filled);
    kept.set(fits, filled);
    filled += fits.length;
    if (filled === kept.length) return [end(false)];
    if (filled - counted < COUNT_EVERY_S * rate) return [];
    counted = filled;
    const begins = knocksIn(sound());
    const rung = filled - (begins.at(-1) ?? 0) > RINGS_OUT_S * rate;
    if (begins.length >= ENOUGH_KNOCKS && rung) return [end(false)];
    if (begins.length === knocks) return [];
    knocks = begins.length;
    return [said(null)];
  }

  return {
    push,
    level: () => {
      const last = kept.subarray(Math.max(0, filled - Math.round(0.04 * rate)), filled);
      return Math.sqrt(last.reduce((sum, x) => sum + x * x, 0) / Math.max(1, last.length));
    },
    say: (word) => {
      if (word === 'stop') return [end(true)];
      if (word === 'again') [filled, counted, knocks] = [0, 0, 0];
      return [said(null)];
    },
  };
}
