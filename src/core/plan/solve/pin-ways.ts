import { stationKey } from '../../readings/stations.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { usable, type PlanInput } from '../plan-input.ts';
import type { Problem } from './problem.ts';

/** The two tapers that pins are made in, degrees over the length. */
const TAPERS = [3, 5] as const;
/** A pin that differs less from a taper than this seats in a hole of it, degrees. */
const SEATS = 0.5;

const TAPER = stationKey('pin-taper', 0, 0);

/** The taper of the pins where it was read, degrees. */
export const pinTaperOf = (input: PlanInput): number | null => usable(input, TAPER);

const ASKS = 'Which taper do the pins have? Try one in a reamed hole of 3° and in one of 5°.';

/** What must be known before pins are fitted. */
export const pinQuestions = (input: PlanInput): readonly string[] =>
  input.findings.some((f) => f.leadsTo === 'pins') && pinTaperOf(input) === null ? [ASKS] : [];

/**
 * How pins are fitted, by the taper they have.
 * @param taper degrees; null where nobody has tried
 * @example a taper of 4.9° → by the 5° reamer
 */
export function pinWay(taper: number | null): string {
  if (taper === null) return 'Their taper first: it decides the reamer. Then a few strokes at a time.';
  const near = TAPERS.find((t) => Math.abs(t - taper) <= SEATS);
  return near === undefined
    ? `They taper ${taper}°, neither 3° nor 5°: pins of one of the two, and the holes reamed to them.`
    : `By the ${near}° reamer, a few strokes at a time, the pin tried between, until each seats all the way at one height.`;
}

const PLATE_WAYS = {
  patch:
    'patch it, or fill it with glue and dust and drill anew: the top stays light and the bridge as it is',
  quick:
    'a thin cap of hardwood, or slots in the bridge with unslotted pins: quick, but a cap adds weight where the top should be light, and slots show',
} as const;

/**
 * How a worn plate is mended, weighed by what the instrument is worth.
 * @param worth minor units; null where nobody has said
 * @param fine from what worth on its looks and lightness come first, minor units
 * @param history its history counts
 */
export function plateWay(worth: number | null, fine: number, history = false): string {
  if (history) return `For its history ${PLATE_WAYS.patch}.`;
  if (worth === null)
    return `Ways: ${PLATE_WAYS.patch}; or ${PLATE_WAYS.quick}. What it is worth decides: ask.`;
  return worth > fine ? `At its worth ${PLATE_WAYS.patch}.` : `At its worth ${PLATE_WAYS.quick}.`;
}

const EASE =
  'Ease the slot that grips, wide enough for its gauge and falling toward the tuner; its height stays.';

/** What a finding's operation says of its ways, beside what was found; empty for most. */
export function waysOfFinding(p: Problem, id: OperationId): string {
  if (id === 'pins') return ` ${pinWay(p.pinTaper)}`;
  if (id === 'bridge-plate') return ` ${plateWay(p.worth.amount, p.worth.thinUpTo, p.worth.history)}`;
  if (id === 'intonate') return ' The bridge goes back to its place, by the octaves as they are read.';
  if (id === 'nut-new') return ' Its slots are cut to height.';
  if (id === 'nut-slots') return ` ${EASE}`;
  return '';
}
