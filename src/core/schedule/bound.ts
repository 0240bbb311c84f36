import { toEnd } from '../to-end.ts';
import { newBoard } from './board.ts';
import { FINELY, relaxing } from './relaxation.ts';
import type { ShopWork } from './shop-work.ts';

/**
 * A number no plan of this work can cost less than.
 * @param known what some plan costs
 */
export function lowerBound(work: ShopWork, known: number): number {
  return toEnd(bounding(work, known));
}

/** The same as `lowerBound`, piece by piece, with the best so far: whoever runs it may let others go on between two. */
export function* bounding(work: ShopWork, known: number): Generator<number, number> {
  return (yield* relaxing(newBoard(work), known, FINELY))?.bound ?? 0;
}
