import { copyBoard, type Seat } from './board.ts';
import { boardWith, bounding, standingIn } from './bound.ts';
import { costOf } from './cost.ts';
import { differenceOf, type PlanTime, type TriedWeek } from './difference.ts';
import { improving } from './improve.ts';
import type { ShopWork } from './shop-work.ts';

/** What a search needs that does not run where the plan is kept. */
export interface WorkToSearch extends PlanTime {
  readonly work: ShopWork;
  /** where each step of the plan stands, in the order of a board's steps */
  readonly seats: readonly (Seat | null)[];
}

/** How far the search is. */
export interface BetterSoFar {
  /** how many plans were looked at */
  readonly tries: number;
  /** by which part of what the plan costs that holds the best one found so far costs less: 0 to 1 */
  readonly better: number;
}

/**
 * Looks for a better plan than the one that holds, plan by plan: whoever runs it may let others go on between two.
 * @param asked the shop's work and its plan
 * @param passed asked before each with how many were looked at, or what took as long as so many: how much of the time it has is over, 0 to
 *   1; at 1 it ends, and at 2 it is no longer asked how far from the best what was found may be
 * @returns what the best one found does otherwise, and how far it is at most from the best there can be in which what runs and what somebody put somewhere stands
 */
export function* lookForBetter(
  asked: WorkToSearch,
  passed: (effort: number) => number,
): Generator<BetterSoFar, TriedWeek> {
  const holds = boardWith(asked.work, asked.seats);
  const better = copyBoard(holds);
  const was = costOf(holds);
  let soFar: BetterSoFar = { tries: 0, better: 0 };
  const search = improving(better, { seed: asked.seed, passed });
  for (let step = search.next(); !step.done; step = search.next()) {
    const { tries, least } = step.value;
    soFar = { tries, better: was > 0 ? 1 - least / was : 0 };
    yield soFar;
  }
  const cost = costOf(better);
  const bound = bounding(asked.work, cost, standingIn(better));
  let step = bound.next();
  // Every number it says holds; at first it has none.
  for (; !step.done && (step.value === 0 || passed(soFar.tries) < 2); step = bound.next()) yield soFar;
  // Every one that moves: only so is what is taken the plan that was found.
  return { ...differenceOf(holds, better, asked, 0), gap: cost > 0 ? (cost - step.value) / cost : 0 };
}
