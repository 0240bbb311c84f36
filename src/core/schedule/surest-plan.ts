import type { Board } from './board.ts';
import { playThrough } from './chance.ts';
import { costOf } from './cost.ts';
import { findPlan } from './find-plan.ts';
import { pullUp } from './pull-up.ts';
import type { ShopWork } from './shop-work.ts';

const HOUR = 60;
/** So often each plan is played through: enough to tell plans apart, not to say a chance. */
const DRAWS = 100;

/**
 * What being late is likely to cost in all, as minutes, answers and parts may come: hours late of every date at its price.
 * @param seed the same seed draws the same luck for every plan of the same work
 */
export function expectedLate(b: Board, draws: number, seed: number): number {
  const { finishes } = playThrough(b, draws, seed);
  const { jobs, weights: w } = b.work;
  const hours = (job: number, day: number | null): number =>
    day === null
      ? 0
      : (finishes[job] ?? new Float64Array()).reduce((sum, f) => sum + Math.max(0, f - day) / HOUR, 0) /
        draws;
  return jobs.reduce(
    (sum, j, i) => sum + (j.hard ? w.hard : w.wished) * hours(i, j.due) + w.promised * hours(i, j.promised),
    0,
  );
}

/**
 * The surest of several plans found apart: by the likely minutes they come out about alike, and one of them keeps more of its dates
 * when things take longer.
 * @param seeds one plan for each
 * @param tries for each plan
 */
export function surestPlan(work: ShopWork, seeds: readonly number[], tries: number): Board {
  const [first = 1] = seeds;
  const found = (seed: number): { readonly b: Board; readonly cost: number } => {
    const b = pullUp(findPlan(work, { seed, more: (n) => n < tries }));
    return { b, cost: costOf(b) + expectedLate(b, DRAWS, first) };
  };
  return seeds
    .slice(1)
    .map(found)
    .reduce((best, other) => (other.cost < best.cost ? other : best), found(first)).b;
}
