import { toEnd } from '../to-end.ts';
import { newBoard, seat, type Board, type Seat } from './board.ts';
import { onGrain, seatOnGrain } from './on-grain.ts';
import { FINELY, relaxing } from './relaxation.ts';
import type { ShopWork } from './shop-work.ts';

/** Where steps stand whatever is planned, in the order of a board’s steps; those that are null or missing stand anywhere. */
export type Standing = readonly (Seat | null)[];

/** What runs and what somebody put somewhere, where it stands in a plan. */
export const standingIn = ({ steps, seats }: Board): Standing =>
  steps.map(({ at, step }) => (step.running || step.pin !== null ? (seats[at] ?? null) : null));

/** A board of this work on which that stands, and nothing else. */
export function boardWith(work: ShopWork, stands: Standing): Board {
  const b = newBoard(work);
  stands.forEach((s, at) => s && seat(b, at, s));
  return b;
}

/**
 * A number no plan of this work can cost less than.
 * @param known what some plan costs
 * @param stands it holds of the plans in which these stand there
 */
export function lowerBound(work: ShopWork, known: number, stands: Standing = []): number {
  return toEnd(bounding(work, known, stands));
}

/** The same as `lowerBound`, piece by piece, with the best so far: whoever runs it may let others go on between two. */
export function* bounding(work: ShopWork, known: number, stands: Standing = []): Generator<number, number> {
  const even = onGrain(work);
  const there = stands.map((s) => {
    const worker = s && even.workers[s.worker];
    return worker ? seatOnGrain(s, worker) : null;
  });
  return (yield* relaxing(boardWith(even, there), known, FINELY))?.bound ?? 0;
}
