import type { StringFact } from '../instrument/construction-facts.ts';

/** What is tried on a neck. Lengths in mm, up positive; arrays run from the lowest string, missing ones are 0. */
export interface Moves {
  /** the rod: change of relief at the 7th, negative straightens */
  readonly relief: number;
  /** each nut slot: negative cuts it deeper */
  readonly nut: readonly number[];
  /** taken off all frets alike, 0 or more */
  readonly frets: number;
  /** fret tops over their place after work on single frets, by fret; null leaves them as they are */
  readonly tops: readonly number[] | null;
  /** the saddle under the lowest and under the highest string; strings between follow the arc */
  readonly bass: number;
  readonly treble: number;
  /** more for one string, where each has a saddle of its own */
  readonly trim: readonly number[];
  /** shim, tilt screw or reset: how far the fret plane rises at the saddle */
  readonly tilt: number;
  /** taken off the bridge's top; the saddle comes down with it */
  readonly thin: number;
  /** where each string leaves the saddle: away from the nut positive */
  readonly contact: readonly number[];
  /** another set or tuning; null keeps what is on */
  readonly strings: readonly StringFact[] | null;
}

/** Nothing tried yet. */
export const NO_MOVES: Moves = {
  relief: 0,
  nut: [],
  frets: 0,
  tops: null,
  bass: 0,
  treble: 0,
  trim: [],
  tilt: 0,
  thin: 0,
  contact: [],
  strings: null,
};

/** Whether anything at all is tried. */
export const isStill = (m: Moves): boolean =>
  m.strings === null &&
  m.tops === null &&
  [m.relief, m.frets, m.bass, m.treble, m.tilt, m.thin, ...m.nut, ...m.trim, ...m.contact].every(
    (v) => v === 0,
  );

/** Sets one string's number in a list, filling up with 0. */
export function withString(list: readonly number[], index: number, value: number, count: number): number[] {
  return Array.from({ length: count }, (_, i) => (i === index ? value : (list[i] ?? 0)));
}
