import type { OperationId } from '../catalogue/operation-ids.ts';
import { operation } from '../catalogue/operations.ts';
import { holds } from '../instrument/condition.ts';
import type { Construction } from '../instrument/construction.ts';
import { asksOf, type Work } from './acts.ts';

/** The work that can be done to an instrument in practice, in the order of the work. */
export const PRACTICE_WORK: readonly OperationId[] = [
  'tune-stretch',
  'restring',
  'rod-free',
  'rod',
  'neck-clamp',
  'neck-tighten',
  'shim',
  'tilt',
  'neck-reset',
  'fret-seat',
  'fret-spot',
  'fall-away',
  'fret-dress',
  'fret-replace',
  'refret',
  'fret-ends',
  'nut-slots',
  'nut-fill',
  'nut-new',
  'saddle-set',
  'saddle-lower',
  'saddle-raise',
  'saddle-new',
  'intonate',
  'compensate',
  'pickup-height',
  'tighten',
  'tuners',
  'tuners-new',
  'battery',
  'clean-controls',
  'socket',
  'wiring',
  'switch-new',
  'pickup-new',
  'shield',
  'vibrato',
  'pins',
  'bridge-plate',
  'bridge-reglue',
  'brace-glue',
  'crack-glue',
  'humidify',
  'board-clean',
];

/** Whether a piece of work makes sense on an instrument at all. */
export const canBeDone = (id: OperationId, c: Construction): boolean => holds(operation(id).fits, c);

/** The work an instrument can be given, in the order of the work. */
export const workFor = (c: Construction): readonly OperationId[] =>
  PRACTICE_WORK.filter((o) => canBeDone(o, c));

/** Whether everything a piece of work asks was said; the first that was not. */
export function missingOf(work: Work): 'eighths' | 'string' | 'fret' | 'amount' | 'bass' | null {
  for (const asked of asksOf(work.operation)) {
    const key = asked === 'sides' ? 'bass' : asked;
    if (work[key] === undefined) return key;
  }
  return null;
}
