import { fretPosition } from '../../neck/fret-position.ts';
import { verdict, type Verdict } from '../../targets/target.ts';
import { handFor, mapOfNeck, playedPositions, tightest, type Tightest } from '../../whatif/clearance-map.ts';
import type { Outcome } from '../../whatif/consequences.ts';
import type { NeckModel } from '../../whatif/neck-model.ts';
import { getsNewSet, type Judged, type Problem } from './problem.ts';
import type { Sizes } from './way.ts';

/** One place after a plan: what stands there and how it stands to its band. */
export interface Stands {
  readonly judged: Judged;
  readonly value: number;
  readonly verdict: Verdict;
  /** distance from the aim in half widths of the band */
  readonly off: number;
}

/**
 * How a pitch counts once heights have moved, or a new set goes on, where it was read before: it waits to be read, or it counts as it was read, so that
 * nothing is moved for the sake of not knowing.
 */
export type Unread = 'waits' | 'as it was read';

const valueOf = (p: Problem, o: Outcome, j: Judged, unread: Unread): number | null => {
  switch (j.quantity) {
    case 'relief':
      return o.relief;
    case 'action':
      return o.action[j.index] ?? null;
    case 'nut-gap':
      return o.gap[j.index] ?? null;
    case 'intonation':
      // A forecast is no reading.
      if (o.asRead && !getsNewSet(p)) return o.cents[j.index] ?? null;
      return unread === 'waits' ? null : (p.model.cents[j.index] ?? null);
  }
};

/** Holds an outcome against the bands: all places, or those of some quantities. */
export function standings(
  p: Problem,
  o: Outcome,
  of?: readonly Judged['quantity'][],
  unread: Unread = 'waits',
): Stands[] {
  const places = of === undefined ? p.judged : p.judged.filter((j) => of.includes(j.quantity));
  return places.flatMap((judged) => {
    const target = p.targets.get(judged.key);
    const value = valueOf(p, o, judged, unread);
    if (!target || value === null) return [];
    const half = Math.max((target.high - target.low) / 2, judged.tells, 1e-9);
    return [
      {
        judged,
        value,
        verdict: verdict(value, target, judged.tells),
        off: Math.abs(value - target.aim) / half,
      },
    ];
  });
}

/** How far a place stands beyond its band and what a gauge tells, in the band's unit; negative inside. */
const beyond = (p: Problem, s: Stands): number => {
  const t = p.targets.get(s.judged.key);
  return t ? Math.max(s.value - t.high, t.low - s.value) - s.judged.tells : -Infinity;
};

/**
 * The places to bring to their aims together: those that are out, and for every size also those with the next ones in,
 * one more at a time. Loosening all bands of a kind alike keeps their order, so it only makes the row longer at its head.
 */
export function together(p: Problem, stands: readonly Stands[], sizes: Sizes): (readonly Stands[])[] {
  const row = [...stands].sort((a, b) => beyond(p, b) - beyond(p, a));
  const out = row.filter(isOut).length;
  const last = sizes === 'every' ? row.length : out;
  return Array.from({ length: last - Math.max(1, out) + 1 }, (_, i) => row.slice(0, Math.max(1, out) + i));
}

export const isOut = (s: Stands): boolean => s.verdict === 'low' || s.verdict === 'high';

/** Frets that stand over the straight line through their neighbours' tops by more than a rocker shows: fret and mm. */
export function highFrets(
  m: Pick<NeckModel, 'construction'>,
  tops: ArrayLike<number>,
  least: number,
): { readonly fret: number; readonly over: number }[] {
  const { scale, frets } = m.construction;
  const found: { fret: number; over: number }[] = [];
  for (let n = 2; n < frets; n++) {
    const [a, b, c] = [n - 1, n, n + 1].map((f) => fretPosition(scale, f)) as [number, number, number];
    const [ta, tb, tc] = [tops[n - 1] ?? 0, tops[n] ?? 0, tops[n + 1] ?? 0];
    const over = tb - (ta + ((tc - ta) * (b - a)) / (c - a));
    if (over > least) found.push({ fret: n, over });
  }
  return found;
}

/** The tightest played place for the player's touch; null where nobody's touch counts. */
export function tightestFor(p: Problem, o: Outcome, x: Float64Array): Tightest | null {
  if (p.touch === null) return null;
  const maps = mapOfNeck(p.model, o, handFor(p.model, p.touch, p.force), x);
  return tightest(maps, playedPositions(p.model.construction.frets));
}
