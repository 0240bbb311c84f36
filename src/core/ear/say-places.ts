import { buzzes, sayBuzz } from '../sound/say-buzz.ts';
import type { PlacedAmount, PlaceOutcome, PlayedPlace } from './place-round.ts';
import { REFUSED } from './say-ear.ts';

/** What to do at a place now. */
export const sayPlace = ({ held, partner }: Pick<PlayedPlace, 'held' | 'partner'>): string =>
  `${held === 0 ? 'pluck it open' : `hold it at ${held} and pluck`}${partner === null ? '' : `, alone: keep ${partner} quiet`}`;

const heardAs = ({ place, amount }: PlacedAmount): string =>
  `${place.name} ${place.held === 0 ? 'open' : `at ${place.held}`}: ${buzzes(amount) ? 'buzzes' : 'clear'} (${sayBuzz(amount)}, where 0 is clear and 1 rattles).`;

/** What came of a pluck, in the bench's words. */
export function sayPlaceOutcome(o: PlaceOutcome): string {
  switch (o.kind) {
    case 'heard':
      return heardAs(o);
    case 'unsure':
      return `Neither clear nor a buzz for sure (${sayBuzz(o.amount)} ± ${sayBuzz(o.doubt)}): once more.`;
    case 'not-told':
      return 'It can’t be told: damp the other strings and let this one ring.';
    case 'refused':
      return o.why === 'not-this-string' ? 'That was no place of this string.' : REFUSED[o.why];
    case 'knocked':
      return 'A knock, or a string that was damped.';
    case 'begun-again':
      return 'Once more.';
    case 'skipped':
      return 'Left out.';
  }
}

/** Whether it wants something of the hand, or a place buzzes: said in red. */
export const isPlaceTrouble = (o: PlaceOutcome): boolean =>
  o.kind === 'heard' ? buzzes(o.amount) : ['unsure', 'not-told', 'refused'].includes(o.kind);
