import { newBoard, type Board } from './board.ts';
import { costOf } from './cost.ts';
import { bestOfAll } from './exact.ts';
import { improve, type Search } from './improve.ts';
import { firstPlan, replan } from './place.ts';
import type { ShopWork } from './shop-work.ts';

/**
 * A plan of the shop's work: one at once, then made better for as long as it may; of a small case the best there is. What
 * stood before competes with what is found anew, so that the plan only changes where that is worth it.
 */
export function findPlan(work: ShopWork, search: Search): Board {
  const empty = newBoard(work);
  const small = bestOfAll(empty, 20_000);
  const found = firstPlan(empty);
  const kept = Object.keys(work.before).length > 0 ? replan(empty) : found;
  const b = costOf(kept) <= costOf(found) ? kept : found;
  improve(b, small ? { ...search, more: (n) => n < 40 && search.more(n) } : search);
  return small && costOf(small) < costOf(b) ? small : b;
}
