import { fretPosition } from '../neck/fret-position.ts';
import {
  ACROSS,
  fretLevel,
  heightAt,
  meanHeight,
  removedDownTo,
  SPOT,
  type Across,
  type FallAway,
  type FretLevel,
  type FretTops,
} from './fret-level.ts';

/** Ways to make the frets even. */
export const STRATEGIES = ['spots', 'level-all', 'replace-some', 'replace-all'] as const;
export type Strategy = (typeof STRATEGIES)[number];

/** What a way costs: metal off, the least height left, the rise of the action, and which frets end too low. */
export interface StrategyResult {
  readonly strategy: Strategy;
  /** frets that get new wire */
  readonly replaced: readonly number[];
  /** mm, all places together */
  readonly total: number;
  /** mm, at the fret that keeps least */
  readonly leastLeft: number;
  /** mm; negative when the new tops stand higher than the old ones */
  readonly actionRise: number;
  readonly underMinimum: readonly number[];
}

export interface Levelling {
  readonly scale: number;
  readonly frets: readonly FretTops[];
  readonly minimumHeight: number;
  readonly fallAway?: FallAway | undefined;
  /** frets to replace; those that would end too low when not said */
  readonly replace?: readonly number[] | undefined;
  /** height of new wire, mm */
  readonly newHeight: number;
}

const ROUNDS = 500;

/** Takes down, again and again, each place that stands over the straight line through its two neighbours. */
function withoutSpots(l: Levelling): Map<Across, number[]> {
  const x = l.frets.map((f) => fretPosition(l.scale, f.fret));
  const down = (z: Across): number[] => {
    const tops = l.frets.map((f) => f[z]);
    for (let round = 0; round < ROUNDS; round++) {
      let rocking = false;
      for (let i = 1; i < tops.length - 1; i++) {
        const [x0 = 0, x1 = 0, x2 = 0] = [x[i - 1], x[i], x[i + 1]];
        const [t0 = 0, t1 = 0, t2 = 0] = [tops[i - 1], tops[i], tops[i + 1]];
        const line = t0 + ((t2 - t0) * (x1 - x0)) / (x2 - x0);
        if (t1 - line <= SPOT) continue;
        tops[i] = line;
        rocking = true;
      }
      if (!rocking) break;
    }
    return tops;
  };
  return new Map(ACROSS.map((z) => [z, down(z)]));
}

/** New wire stands where the old one stood, on the same board. */
function rewired(l: Levelling, replaced: readonly number[]): FretTops[] {
  return l.frets.map((f) => {
    if (!replaced.includes(f.fret)) return f;
    const up = (z: Across): number => f[z] + l.newHeight - heightAt(f, z);
    return {
      fret: f.fret,
      bass: up('bass'),
      middle: up('middle'),
      treble: up('treble'),
      height: l.newHeight,
    };
  });
}

function levelled(l: Levelling, strategy: Strategy, replaced: readonly number[]): StrategyResult {
  const result = levelBy(l, strategy, replaced);
  const near12 = l.frets.toSorted((a, b) => Math.abs(a.fret - 12) - Math.abs(b.fret - 12))[0];
  const raised = near12 && replaced.includes(near12.fret) ? l.newHeight - meanHeight(near12) : 0;
  return {
    strategy,
    replaced,
    total: result.total,
    leastLeft: Math.min(...result.frets.map((f) => f.left)),
    actionRise: result.actionRise - raised,
    underMinimum: result.underMinimum,
  };
}

/**
 * What comes off each fret by one way: only what rocks over its neighbours, or all to one surface with new wire where a
 * fret is replaced.
 * @param replaced frets that get new wire; not used for `spots`
 */
export function levelBy(l: Levelling, strategy: Strategy, replaced: readonly number[] = []): FretLevel {
  if (strategy !== 'spots') return fretLevel(l.scale, rewired(l, replaced), l.minimumHeight, l.fallAway);
  const tops = withoutSpots(l);
  const index = new Map(l.frets.map((f, i) => [f.fret, i]));
  return removedDownTo(
    l.frets,
    l.minimumHeight,
    (f, z) => f[z] - (tops.get(z)?.[index.get(f.fret) ?? 0] ?? f[z]),
  );
}

/**
 * Compares the ways to make the frets even: only what rocks over its neighbours; all frets to one surface; new wire for
 * some, the rest levelled with them; new wire for all.
 */
export function compareStrategies(l: Levelling): StrategyResult[] {
  const all = levelled(l, 'level-all', []);
  const spots = levelBy(l, 'spots');
  return [
    {
      strategy: 'spots',
      replaced: [],
      total: spots.total,
      leastLeft: Math.min(...spots.frets.map((f) => f.left)),
      actionRise: spots.actionRise,
      underMinimum: spots.underMinimum,
    },
    all,
    levelled(l, 'replace-some', l.replace ?? all.underMinimum),
    levelled(
      l,
      'replace-all',
      l.frets.map((f) => f.fret),
    ),
  ];
}
