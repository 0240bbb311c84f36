import { stringNumber, type Construction } from '../instrument/construction.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import type { Amount } from '../plan/solve/way.ts';
import type { Mm } from '../units/unit-types.ts';

/** Where wood or bone comes off: a side of the saddle, or the saddle or the nut slot of one string. */
export type CutPlace = 'bass' | 'treble' | `string ${number}`;
export const CUT_PLACE = /^(?:bass|treble|string \d{1,2})$/;

/** The operations whose cuts are logged one by one. */
export const CUT_OPERATIONS = ['saddle-lower', 'nut-slots'] as const satisfies readonly OperationId[];
export type CutOperation = (typeof CUT_OPERATIONS)[number];

export const isCutOperation = (id: OperationId): id is CutOperation =>
  (CUT_OPERATIONS as readonly string[]).includes(id);

/** A cut as it was made. mm, both as what comes off. */
export interface CutMade {
  readonly place: CutPlace;
  readonly meant: Mm;
  readonly took: Mm;
}

/** More than this comes off no saddle and no slot at once, mm: what says so was typed in another unit. */
export const MOST_CUT = 8;
/** What came off more than so many times what was meant, or less than its inverse, was typed in another unit. */
const SLIP_TIMES = 6;

/** The places an operation cuts at, the bass side or the lowest string first. */
export function cutPlaces(operation: CutOperation, c: Construction): readonly CutPlace[] {
  if (operation === 'saddle-lower' && c.bridge !== 'individual-fixed') return ['bass', 'treble'];
  return c.strings.map((_, i): CutPlace => `string ${stringNumber(c, i)}`);
}

/** What a plan takes off at each place, mm; places it leaves alone are missing. */
export function plannedCuts(operation: CutOperation, amounts: readonly Amount[]): ReadonlyMap<CutPlace, Mm> {
  const before = operation === 'saddle-lower' ? 'saddle, ' : 'slot of ';
  return new Map(
    amounts
      .filter((a) => a.unit === 'mm' && a.amount < 0 && a.what.startsWith(before))
      .map((a) => [a.what.slice(before.length) as CutPlace, -a.amount]),
  );
}

/** What is left to take, mm: never less than nothing. */
export const leftToTake = (planned: Mm, made: readonly CutMade[], place: CutPlace): Mm =>
  Math.max(
    0,
    made.filter((c) => c.place === place).reduce((left, c) => left - c.took, planned),
  );

/**
 * What to mean next at a place, mm: the shop's share of the whole first, then what is left; null where nothing was planned or is left.
 */
export function nextCut(
  planned: Mm | undefined,
  made: readonly CutMade[],
  place: CutPlace,
  firstShare: number,
): Mm | null {
  if (planned === undefined) return null;
  const begun = made.some((c) => c.place === place);
  const next = begun ? leftToTake(planned, made, place) : planned * firstShare;
  return next > LEAST_CUT ? next : null;
}
/** Nobody cuts less on purpose, mm. */
const LEAST_CUT = 0.01;

/** Why a cut as typed cannot be meant so, or null. mm */
export function whyNoSuchCut(meant: Mm, took: Mm): string | null {
  if (took < 0) return 'What came off: not less than nothing.';
  if (took > MOST_CUT) return `That is ${took.toFixed(1)} mm: nobody takes so much off at once. Which unit?`;
  // A hair more or less is a hand; so many times as much is a unit.
  const slip = meant > 0 && took > 0 && (took > SLIP_TIMES * meant || took < meant / SLIP_TIMES);
  const much = Math.max(meant, took) > 0.2;
  return slip && much
    ? `${took.toFixed(2)} mm off where ${meant.toFixed(2)} mm was meant: say it with its unit.`
    : null;
}

/** A place in the bench's words. */
export const sayCutPlace = (place: CutPlace): string =>
  place === 'bass' || place === 'treble' ? `${place} side` : place;
