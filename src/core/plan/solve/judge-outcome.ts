import { fretPosition } from '../../neck/fret-position.ts';
import { verdict, type Verdict } from '../../targets/target.ts';
import { handFor, mapOfNeck, playedPositions, tightest, type Tightest } from '../../whatif/clearance-map.ts';
import type { Outcome } from '../../whatif/consequences.ts';
import type { NeckModel } from '../../whatif/neck-model.ts';
import type { Judged, Problem } from './problem.ts';

/** One place after a plan: what stands there and how it stands to its band. */
export interface Stands {
  readonly judged: Judged;
  readonly value: number;
  readonly verdict: Verdict;
  /** distance from the aim in half widths of the band */
  readonly off: number;
}

const valueOf = (o: Outcome, j: Judged): number | null => {
  switch (j.quantity) {
    case 'relief':
      return o.relief;
    case 'action':
      return o.action[j.index] ?? null;
    case 'nut-gap':
      return o.gap[j.index] ?? null;
    case 'intonation':
      return o.cents[j.index] ?? null;
  }
};

/** Holds an outcome against the bands. */
export function standings(p: Problem, o: Outcome): Stands[] {
  return p.judged.flatMap((judged) => {
    const target = p.targets.get(judged.key);
    const value = valueOf(o, judged);
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

/** The tightest played place for the player's touch. */
export function tightestFor(p: Problem, o: Outcome, x: Float64Array): Tightest | null {
  const maps = mapOfNeck(p.model, o, handFor(p.model, p.touch), x);
  return tightest(maps, playedPositions(p.model.construction.frets));
}
