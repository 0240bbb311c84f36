import { copyBoard, newBoard, seat, type Board } from './board.ts';
import { chancesOf, playThrough, type JobChance } from './chance.ts';
import { placeJob } from './place.ts';
import type { PlannedJob, ShopWork } from './shop-work.ts';

/** How a promise would come out, and what it does to others: moments are minutes since the plan's beginning. */
export interface Promised {
  readonly half: number;
  readonly likely: number;
  readonly sure: number;
  /** the chance to be ready by the day it is wanted; null where none was said */
  readonly inTime: number | null;
  /** where the plan puts its end */
  readonly planned: number | null;
  /** those whose chance to be in time falls, with before and after */
  readonly others: readonly { readonly job: number; readonly was: number; readonly is: number }[];
}

const NOTABLE = 0.05;

/** A board for the same work and something more, with everything that stood standing where it stood. */
export function boardWith(b: Board, work: ShopWork): Board {
  const wider = newBoard(work);
  const index = new Map(wider.steps.map((s) => [s.step.id, s.at]));
  for (const own of b.steps) {
    const s = b.seats[own.at];
    const at = index.get(own.step.id);
    if (s && at !== undefined) seat(wider, at, s);
  }
  return wider;
}

/**
 * When a job could be promised that is not there yet, as the plan stands: it goes where room is and pushes nobody.
 * @param draws how often the plan is played through; others are compared draw by draw
 */
export function promise(
  b: Board,
  job: PlannedJob,
  { draws, seed }: { draws: number; seed: number },
): Promised {
  const wider = boardWith(b, { ...b.work, jobs: [...b.work.jobs, job] });
  placeJob(wider, b.work.jobs.length);
  const before = chancesOf(b, playThrough(copyBoard(b), draws, seed));
  const after = chancesOf(wider, playThrough(wider, draws, seed));
  const own = after.at(-1) as JobChance;
  const seats = (wider.ofJob.at(-1) ?? []).map((at) => wider.seats[at]);
  return {
    half: own.half,
    likely: own.likely,
    sure: own.sure,
    inTime: own.inTime,
    planned: seats.every((s) => s) ? Math.max(0, ...seats.map((s) => s?.free ?? 0)) : null,
    others: before.flatMap((was, i) => {
      const is = after[i]?.inTime ?? null;
      return was.inTime !== null && is !== null && was.inTime - is >= NOTABLE
        ? [{ job: was.job, was: was.inTime, is }]
        : [];
    }),
  };
}
