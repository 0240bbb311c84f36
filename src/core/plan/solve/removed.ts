import { leastHeight } from '../../frets/fret-level.ts';
import type { Operation } from '../../catalogue/operation.ts';
import { WORN_PARTS, type WornPart } from '../../catalogue/operation-record.ts';
import { operation } from '../../catalogue/operations.ts';
import type { Problem } from './problem.ts';
import type { Part } from './way.ts';

/** What is taken off for good at the place that loses most, mm, part by part: never summed over different things. */
export type Removed = Readonly<Record<WornPart, number>>;

/** What parts of a plan take off, each part by itself. A contact that moves along the string takes no height. mm */
export function removedBy(parts: readonly Part[], catalogue: readonly Operation[]): Removed {
  const most: Record<WornPart, number> = { saddle: 0, nut: 0, frets: 0, bridge: 0 };
  for (const { operation: id, removed } of parts) {
    const from = operation(id, catalogue).takesFrom;
    if (from) most[from] = Math.max(most[from], removed);
  }
  return most;
}

/** What is taken to be left of a part where nobody read it, mm. */
const USUALLY_LEFT: Removed = { saddle: 2.5, nut: 0.6, frets: 0.4, bridge: 3 };
/** Less than this is not divided by, mm. */
const LEAST_LEFT = 0.1;

/** What each part has to give, mm: down to the least that must stand. */
export function leftOf(p: Pick<Problem, 'model' | 'frets' | 'limits'>): Removed {
  const { standout, bridge, slotDepth } = p.model;
  const lowest = Math.min(...p.frets.map(leastHeight));
  const left: Removed = {
    saddle: standout === null ? USUALLY_LEFT.saddle : standout - p.limits.standout.low,
    nut: USUALLY_LEFT.nut,
    frets: p.frets.length === 0 ? USUALLY_LEFT.frets : lowest - p.limits.fretHeight,
    bridge:
      bridge === null || slotDepth === null ? USUALLY_LEFT.bridge : bridge - slotDepth - p.limits.slotFloor,
  };
  return Object.fromEntries(WORN_PARTS.map((w) => [w, Math.max(LEAST_LEFT, left[w])])) as unknown as Removed;
}

/** What is taken as shares of what each part has to give, added up: 1 is all of one part. */
export function shareTaken(removed: Removed, left: Removed): number {
  return WORN_PARTS.reduce((sum, w) => sum + Math.min(1, removed[w] / left[w]), 0);
}
