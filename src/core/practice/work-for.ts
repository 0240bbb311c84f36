import type { OperationId } from '../catalogue/operation-ids.ts';
import type { Construction } from '../instrument/construction.ts';
import { isAdjustable } from '../instrument/construction.ts';
import { KIND_RECORDS } from '../instrument/kinds.ts';
import { asksOf, type Work } from './acts.ts';

/** Cut and made saddles. */
const CUT_SADDLE: readonly OperationId[] = ['saddle-lower', 'saddle-raise', 'saddle-new', 'compensate'];
/** Work on the neck's joint that fits how it is fastened. */
const BY_JOINT: Readonly<Partial<Record<OperationId, readonly Construction['joint'][]>>> = {
  shim: ['bolted', 'bolted-shims'],
  tilt: ['tilt-screw'],
  'neck-reset': ['glued'],
  'neck-tighten': ['bolted', 'bolted-shims', 'tilt-screw'],
};
const ROD: readonly OperationId[] = ['rod', 'rod-free', 'neck-clamp'];
const WIRED: readonly OperationId[] = [
  'clean-controls',
  'socket',
  'wiring',
  'pickup-new',
  'switch-new',
  'shield',
];
const OF_TOP: readonly OperationId[] = ['brace-glue', 'bridge-reglue', 'humidify'];

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
export function canBeDone(operation: OperationId, c: Construction): boolean {
  const { magnetic, hollow, soundboard } = KIND_RECORDS[c.kind];
  if (ROD.includes(operation)) return c.rod !== 'none';
  const joints = BY_JOINT[operation];
  if (joints) return joints.includes(c.joint);
  if (operation === 'saddle-set' || operation === 'intonate') return isAdjustable(c);
  if (CUT_SADDLE.includes(operation)) return !isAdjustable(c);
  if (WIRED.includes(operation)) return c.electronics !== 'none';
  if (operation === 'battery') return c.electronics === 'active' || c.electronics === 'under-saddle';
  if (operation === 'pickup-height') return magnetic && c.electronics !== 'none';
  if (operation === 'pins' || operation === 'bridge-plate') return c.bridge === 'pinned';
  if (operation === 'vibrato') return c.vibrato !== 'none';
  if (operation === 'crack-glue') return hollow;
  return OF_TOP.includes(operation) ? soundboard : true;
}

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
