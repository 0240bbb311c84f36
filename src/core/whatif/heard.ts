import type { ClearanceString } from '../clearance/clearance.ts';
import { sayBuzz } from '../sound/say-buzz.ts';
import { consequences, positionsOf } from './consequences.ts';
import { handFor, stringOf } from './clearance-map.ts';
import { NO_MOVES } from './moves.ts';
import type { NeckModel } from './neck-model.ts';
import { handAmong, MOST_FORCE, threshold, type FittedHand, type HeardMark } from './pluck-reach.ts';
import type { Touch } from '../targets/target.ts';

/** A place this player played, what was heard, and the pluck at which it just buzzes as the neck was read then. */
export interface HeardPlace {
  /** 1 is the highest */
  readonly string: number;
  /** 0 is the open string */
  readonly held: number;
  readonly heard: HeardMark['heard'];
  /** how much it buzzed by ear, 0 to 1; absent or null where somebody said what was heard */
  readonly amount?: number | null | undefined;
  /** N; null where no hand makes the difference: as it was read it lies on a fret at rest, or nothing can touch there */
  readonly force: number | null;
}

/** What was heard, in the bench's words, with how much it was where the ear heard it: `◆ buzzes (0.83)`. */
export function sayWhatWasHeard({ heard, amount }: Pick<HeardPlace, 'heard' | 'amount'>): string {
  const word = heard === 'clear' ? 'clear' : '◆ buzzes';
  return amount === null || amount === undefined ? word : `${word} (${sayBuzz(amount)})`;
}

/** What a place tells of a hand, or why it tells nothing. */
export type Told =
  | { readonly kind: 'force'; readonly force: number }
  | { readonly kind: 'touches' }
  | { readonly kind: 'never' };

/**
 * What hearing a place tells of the hand on a neck as it was read: the pluck that bounds the hand (`threshold`), N. A place that lies on a
 * fret at rest, or that no hand makes buzz, tells of the neck and not of the hand.
 * @param index of the string, 0 the lowest
 */
export function toldBy(
  m: NeckModel,
  touch: Touch,
  index: number,
  mark: Pick<HeardMark, 'held' | 'heard'>,
  ratio: number,
): Told {
  const o = consequences(m, NO_MOVES, ratio, positionsOf(m.construction));
  const { force: _f, ...neck }: ClearanceString = stringOf(m, o, index, handFor(m, touch));
  const force = threshold(neck, mark);
  if (force <= 0 && mark.heard === 'clear') return { kind: 'touches' };
  if (force >= MOST_FORCE && mark.heard === 'buzzes') return { kind: 'never' };
  return { kind: 'force', force };
}

/**
 * How hard this player plucks by what was heard: what is clear bounds it from above, what buzzes from below. Null where nothing was
 * heard that tells of a hand.
 * @param usual the force taken for the touch, N
 */
export function handHeard(heard: readonly HeardPlace[], usual: number): FittedHand | null {
  const told = heard.flatMap(({ heard: what, force }) => (force === null ? [] : [{ heard: what, force }]));
  return told.length === 0 ? null : handAmong(told, usual);
}
