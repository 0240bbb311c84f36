import { fretLevel, type FretLevel, type FretTops } from './fret-level.ts';
import { compareStrategies, type Strategy, type StrategyResult } from './strategies.ts';

/** What the bench needs to know of the frets before anything is filed. */
export interface FretPlan {
  readonly frets: readonly FretTops[];
  /** the highest level surface under all tops, and what comes off down to it */
  readonly level: FretLevel;
  readonly strategies: readonly StrategyResult[];
}

/** What a way is called at the bench. */
export const STRATEGY_NAMES: Readonly<Record<Strategy, string>> = {
  spots: 'High spots only',
  'level-all': 'Level all',
  'replace-some': 'New wire where too low',
  'replace-all': 'New wire for all',
};

/**
 * The level optimum of a fret map and the ways compared. Null with fewer than three frets read: no surface is told.
 * @param minimumHeight frets that would end lower are named, mm
 * @param newHeight height of new wire, mm
 */
export function fretPlan(
  scale: number,
  frets: readonly FretTops[],
  minimumHeight: number,
  newHeight: number,
): FretPlan | null {
  if (frets.length < 3) return null;
  return {
    frets,
    level: fretLevel(scale, frets, minimumHeight),
    strategies: compareStrategies({ scale, frets, minimumHeight, newHeight }),
  };
}
