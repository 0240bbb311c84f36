import { GRAIN, type Board } from './board.ts';

/** A job's hands and rests, minutes. */
export const workOf = (b: Board, job: number): number =>
  (b.ofJob[job] ?? []).reduce(
    (sum, at) => sum + (b.steps[at]?.minutes ?? 0) + (b.steps[at]?.step.wait ?? 0),
    0,
  );
/** When a job is wanted or was promised, the sooner; Infinity where it is not. */
export const dueOf = (b: Board, job: number): number =>
  Math.min(b.work.jobs[job]?.due ?? Infinity, b.work.jobs[job]?.promised ?? Infinity);

/** How far ahead of its date a job begins to press, minutes: the first that is tried, and others. */
export const PRESSES_FIRST = 1440;
/** See {@link PRESSES_FIRST}. */
export const PRESSES = [720, 3 * 1440, 8 * 1440] as const;
/** How much more what there is least of counts than other things: several are tried. */
export const POWERS = [0, 1, 2, 4, 16] as const;
/** What a job takes beside its hands and rests: nights, other work. */
const ROOM = 2;

/** What of a job tells how much an hour of hands is worth on it. Minutes. */
export interface Worthy {
  readonly job: number;
  readonly hands: number;
  /** when it has to be begun, so to say */
  readonly due: number;
  /** what being late costs */
  readonly late: number;
}

/**
 * What an hour of hands is worth on a job at a moment. It only grows with time.
 * @param stay what a job that stays costs
 * @param presses how far ahead of its date it begins to press
 */
export const worthAt = ({ hands, due, late }: Worthy, at: number, stay: number, presses: number): number =>
  (stay + (late === 0 ? 0 : late * Math.exp(-Math.max(0, due - at) / presses))) / hands;

/** So often all are weighed anew. Between two times only those are that may be worth the most by the end of it. */
const WEIGHED = 24;

/**
 * Jobs in the order of their worth: always the one that is worth the most when the hands before it are done, the first of equals.
 * @param pace how many minutes of hands the shop has in a minute
 */
export function orderByWorth(jobs: readonly Worthy[], pace: number, stay: number, presses: number): number[] {
  const order: number[] = [];
  const each = Math.max(16, Math.ceil(jobs.length / WEIGHED));
  let left = jobs.map((own, place) => ({ own, place, isDone: false }));
  for (let at = 0; left.length > 0;) {
    // As many hours as the next jobs can take at most: until then nobody is worth more than this.
    const longest = left.map(({ own }) => own.hands).sort((x, y) => y - x);
    const end = at + longest.slice(0, each).reduce((sum, h) => sum + h, 0) / pace + 1;
    const bounded = left
      .map((one) => ({ one, most: worthAt(one.own, end, stay, presses) }))
      .sort((x, y) => y.most - x.most);
    for (let n = 0; n < each && n < left.length; n++) {
      let first: (typeof left)[number] | null = null;
      let worth = -1;
      for (const { one, most } of bounded) {
        if (most < worth) break;
        if (one.isDone) continue;
        const now = worthAt(one.own, at, stay, presses);
        if (now < worth || (now === worth && first !== null && one.place > first.place)) continue;
        worth = now;
        first = one;
      }
      if (!first) break;
      first.isDone = true;
      order.push(first.own.job);
      at += first.own.hands / pace;
    }
    left = left.filter((one) => !one.isDone);
  }
  return order;
}

/**
 * Jobs in the order of what an hour of what there is little of is worth on them: how long they stay, and what being late costs, the more
 * the nearer their date has come by then. The shop goes from one to the next.
 * @param takes by job: how much it takes of what there is little of, minutes
 */
export function byWorth(b: Board, jobs: readonly number[], presses: number, takes: Float64Array): number[] {
  const { weights: w } = b.work;
  const all = jobs.map((job): Worthy => {
    const j = b.work.jobs[job];
    const late = (j?.due == null ? 0 : j.hard ? w.hard : w.wished) + (j?.promised == null ? 0 : w.promised);
    const due = dueOf(b, job) - ROOM * workOf(b, job);
    return { job, hands: Math.max(GRAIN, takes[job] as number), due, late };
  });
  return orderByWorth(all, 1, w.stay, presses);
}
