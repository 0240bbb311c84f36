import type { Board } from './board.ts';
import { chancesOf, playThrough } from './chance.ts';
import { finishOf, SAME_MINUTES } from './cost.ts';
import { standing } from './remedies.ts';

const MINUTE = 60_000;
/** A chance that comes out otherwise by less than this is not told. */
const NOTABLE = 0.02;

/** A step that another plan puts elsewhere. Moments are ms. */
export interface MovedStep {
  readonly step: string;
  readonly jobId: number;
  readonly job: number;
  readonly title: string;
  readonly was: { readonly worker: number; readonly start: number } | null;
  readonly is: { readonly worker: number; readonly spot: string | null; readonly start: number } | null;
}

/** A job whose date comes out otherwise. */
export interface MovedJob {
  readonly number: number;
  readonly title: string;
  readonly wasReady: number | null;
  readonly isReady: number | null;
  readonly was: number | null;
  readonly is: number | null;
}

/** Another plan beside the one that holds. */
export interface TriedWeek {
  readonly moved: readonly MovedStep[];
  readonly jobs: readonly MovedJob[];
  /** by how much of what it costs it may be worse than the best plan there is, at most; null where that was not asked */
  readonly gap: number | null;
}

/** When a plan begins, and how its chances are drawn. */
export interface PlanTime {
  /** ms since the epoch */
  readonly from: number;
  readonly draws: number;
  readonly seed: number;
}

/**
 * What differs between two plans, the second one of the same work or of some that differs a little.
 * @param b the one that holds
 * @param other the one beside it
 * @param time when the plan begins (ms), how often and by which seed chances are drawn
 * @param same how many minutes from where it stood a step counts as not moved
 */
export function differenceOf(
  b: Board,
  other: Board,
  { from, draws, seed }: PlanTime,
  same = SAME_MINUTES,
): Omit<TriedWeek, 'gap'> {
  const ms = (minutes: number): number => from + minutes * MINUTE;
  const [was, is] = [
    chancesOf(b, playThrough(b, draws, seed)),
    chancesOf(other, playThrough(other, draws, seed)),
  ];
  const before = standing(b);
  const after = standing(other);
  const titles = new Map([...b.steps, ...other.steps].map((s) => [s.step.id, s] as const));
  const moved = [...titles].flatMap(([id, own]): MovedStep[] => {
    const [x, y] = [before[id], after[id]];
    if (x && y && x.worker === y.worker && Math.abs(x.start - y.start) <= same) return [];
    if (!x && !y) return [];
    const job = (other.steps.some((s) => s === own) ? other : b).work.jobs[own.job];
    return [
      {
        step: id,
        jobId: job?.id ?? 0,
        job: job?.number ?? 0,
        title: own.step.title,
        was: x ? { worker: x.worker, start: ms(x.start) } : null,
        is: y ? { worker: y.worker, spot: y.spot, start: ms(y.start) } : null,
      },
    ];
  });
  const ready = (of: Board, i: number): number | null => {
    const finish = i < 0 ? null : finishOf(of, i);
    return finish === null ? null : ms(finish);
  };
  const jobs = other.work.jobs.flatMap((j, i): MovedJob[] => {
    const k = b.work.jobs.findIndex((o) => o.id === j.id);
    const row = {
      number: j.number,
      title: j.title,
      wasReady: ready(b, k),
      isReady: ready(other, i),
      was: was[k]?.inTime ?? null,
      is: is[i]?.inTime ?? null,
    };
    const alike =
      k >= 0 &&
      Math.abs((row.is ?? 0) - (row.was ?? 0)) < NOTABLE &&
      Math.abs((row.isReady ?? 0) - (row.wasReady ?? 0)) <= SAME_MINUTES * MINUTE;
    return alike || j.steps.length === 0 ? [] : [row];
  });
  return { moved, jobs };
}
