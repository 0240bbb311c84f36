import { buzzes, sayBuzz } from '../sound/say-buzz.ts';
import type { NoiseHeard, NoiseOutcome, NoiseRound } from './noise-round.ts';
import { PLUCKS_EACH } from './noise-round.ts';
import { REFUSED } from './say-ear.ts';

/** What to do now. */
export function sayNoiseStep({ at, before, now }: NoiseRound): string {
  const left = (heard: number): string =>
    PLUCKS_EACH - heard === 1 ? 'pluck it once more' : `pluck it ${PLUCKS_EACH - heard} times`;
  if (at === 'before') return `The noise as it is: ${left(before.length)}, where it is worst`;
  if (at === 'now') return `Now do the try, and ${left(now.length)}, as before`;
  return 'Heard';
}

/** How much it buzzed before and with the try: `0.94 before, 0.08 with it`. */
export const sayNoiseHeard = ({ before, now }: NoiseHeard): string =>
  `buzz ${sayBuzz(before)} before, ${sayBuzz(now)} with it`;

/** What came of a pluck, in the bench's words. */
export function sayNoiseOutcome(o: NoiseOutcome): string {
  switch (o.kind) {
    case 'heard':
      return `${buzzes(o.amount) ? 'It buzzes' : 'It rings clear'} (${sayBuzz(o.amount)}, where 0 is clear and 1 rattles).`;
    case 'not-there':
      return `It rings clear (${sayBuzz(o.amount)}): play it where the noise is.`;
    case 'not-told':
      return 'It can’t be told: damp the other strings and let this one ring.';
    case 'refused':
      return REFUSED[o.why];
    case 'knocked':
      return 'A knock, or a string that was damped.';
    case 'begun-again':
      return 'Once more.';
  }
}

/** Whether it wants something of the hand: said in red. */
export const isNoiseTrouble = (o: NoiseOutcome): boolean =>
  ['not-there', 'not-told', 'refused'].includes(o.kind);
