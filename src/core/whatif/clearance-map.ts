import { clearance, type ClearanceMap, type ClearanceString } from '../clearance/clearance.ts';
import { KIND_RECORDS } from '../instrument/kinds.ts';
import { scaleOf } from '../instrument/scales.ts';
import type { Touch } from '../targets/target.ts';
import { consequences, positionsByString, positionsOf, type Outcome } from './consequences.ts';
import type { Moves } from './moves.ts';
import type { NeckModel } from './neck-model.ts';

/** How a hand plays: force of the pluck in N, the share of the motion toward the frets, distance from the saddle mm. */
export interface Hand {
  readonly force: number;
  readonly share: number;
  readonly pluck: number;
}

const USUAL_PULL = 75;
const SHARE = 0.5;
/** The hand plucks about a fifth of the scale from the saddle. */
const PLUCK_SHARE = 0.2;

/** The usual hand of a touch on an instrument. A given force replaces the usual one. */
export function handFor(m: NeckModel, touch: Touch, force?: number): Hand {
  const mean = m.pull.reduce((a, b) => a + b, 0) / Math.max(1, m.pull.length);
  const { kind, scale } = m.construction;
  const { pluck, softStrung } = KIND_RECORDS[kind];
  return {
    force: force ?? pluck[touch] * mean,
    share: softStrung ? SHARE * 1.2 : SHARE,
    pluck: scale * PLUCK_SHARE,
  };
}

/** One string of a neck as the clearance sum wants it. */
export const stringOf = (m: NeckModel, o: Outcome, i: number, hand: Hand): ClearanceString => ({
  scale: scaleOf(m.construction, i),
  compensation: m.construction.compensation,
  frets: m.construction.frets,
  nut: o.nut[i] ?? 0,
  saddle: o.saddle[i] ?? 0,
  tops: o.tops,
  tension: o.pull[i] ?? USUAL_PULL,
  ...hand,
});

/** Clearance of every string at every held position, lowest string first. */
export const mapOfNeck = (
  m: NeckModel,
  o: Outcome,
  hand: Hand,
  x = positionsOf(m.construction),
): ClearanceMap[] => {
  const along = positionsByString(m.construction, x);
  return Array.from(o.nut, (_, i) => clearance(stringOf(m, o, i, hand), along[i] ?? x));
};

/** How a place stands: it is clear, close, or hit; a string that lies on a fret at rest does not sound at all. */
export type Room = 'clear' | 'close' | 'buzz' | 'choked';

/** A margin under this is close, mm: less than a feeler tells. */
export const CLOSE = 0.03;

/** Says how a margin stands. @param still gap at rest, mm */
export function roomOf(margin: number, still: number): Room {
  if (still <= 0) return 'choked';
  if (margin < 0) return 'buzz';
  return margin < CLOSE ? 'close' : 'clear';
}

/** The place with the least room of a neck: string index, held position, the fret it meets, margin and gap at rest, mm. */
export interface Tightest {
  readonly string: number;
  readonly held: number;
  readonly fret: number;
  readonly margin: number;
  readonly still: number;
}

/** Finds the tightest place of a neck among the held positions that are played (all but the last two frets by default). */
export function tightest(maps: readonly ClearanceMap[], upTo = Infinity): Tightest | null {
  let worst: Tightest | null = null;
  maps.forEach((map, string) => {
    for (let held = 0; held < Math.min(map.margin.length, upTo); held++) {
      const margin = map.margin[held] ?? Infinity;
      if (worst !== null && margin >= worst.margin) continue;
      worst = { string, held, fret: map.fret[held] ?? 0, margin, still: map.still[held] ?? 0 };
    }
  });
  return worst;
}

/** Positions a player holds: to two frets under the last. */
export const playedPositions = (frets: number): number => Math.max(1, frets - 1);

const NEAR = 1e-4;
const FURTHEST = 6;

/**
 * How low it can go for a hand: the saddle comes down evenly until the tightest place just clears, by bisection.
 * @param reserve room that must be left, mm
 * @returns change of the action at the 12th, mm, negative lowers; null when even a saddle 6 mm higher buzzes
 */
export function lowestAction(
  m: NeckModel,
  moves: Moves,
  hand: Hand,
  ratio?: number,
  reserve = 0,
): { readonly change: number; readonly action: Float64Array; readonly at: Tightest } | null {
  const x = positionsOf(m.construction);
  const upTo = playedPositions(m.construction.frets);
  const tried = (by: number) => {
    const o = consequences(m, { ...moves, bass: moves.bass + by, treble: moves.treble + by }, ratio, x);
    return { o, at: tightest(mapOfNeck(m, o, hand, x), upTo) };
  };
  const clears = (by: number): boolean => (tried(by).at?.margin ?? 0) >= reserve;
  let [low, high] = [-FURTHEST, FURTHEST];
  if (!clears(high)) return null;
  if (clears(low)) high = low;
  while (high - low > NEAR) {
    const by = (low + high) / 2;
    if (clears(by)) high = by;
    else low = by;
  }
  const { o, at } = tried(high);
  const now = consequences(m, moves, ratio, x);
  if (at === null) return null;
  return { change: (o.action[0] ?? 0) - (now.action[0] ?? 0), action: o.action, at };
}
