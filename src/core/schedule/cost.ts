import type { Board, Seat } from './board.ts';
import type { PlannedJob } from './shop-work.ts';

/** What a step costs that found no place. */
export const UNPLACED = 1e6;
const HOUR = 60;
/** A step that begins so many minutes from where it stood before counts as moved. */
export const SAME_MINUTES = 15;
const DAY = 1440;

/** When the last of a job is done and has rested; null while a step has no place. */
export function finishOf(b: Board, job: number): number | null {
  let finish = 0;
  for (const at of b.ofJob[job] ?? []) {
    const s = b.seats[at];
    if (!s) return null;
    finish = Math.max(finish, s.free);
  }
  return finish;
}

const late = (finish: number, due: number | null): number =>
  due === null ? 0 : Math.max(0, finish - due) / HOUR;

/** How much a step is moved that nobody touched; 0: it is not. */
export function movedCost(b: Board, at: number, s: Seat): number {
  const step = b.steps[at]?.step;
  const before = step && b.work.before[step.id];
  if (!before || step.pin !== null || step.running) return 0;
  const away = Math.abs(s.start - before.start);
  const other = b.work.workers[s.worker]?.id !== before.worker;
  return away <= SAME_MINUTES && !other ? 0 : 1 + Math.min(5, away / DAY) / 5;
}

function handsChanged(b: Board, own: readonly number[], job: PlannedJob): number {
  const seats = own.flatMap((at) => b.seats[at] ?? []).sort((x, y) => x.start - y.start);
  let count = 0;
  let last = b.work.workers.findIndex((w) => w.id === job.holder);
  for (const s of seats) {
    if (last >= 0 && s.worker !== last) count++;
    last = s.worker;
  }
  return count;
}

/** What an end costs: by how long a job stayed, and by how much it is later than its dates; an hour of each at a price. */
const endCosts = (
  finish: number,
  stay: number,
  due: number,
  late: number,
  promised: number,
  broken: number,
): number =>
  (stay * finish + late * Math.max(0, finish - due) + broken * Math.max(0, finish - promised)) / HOUR;

/** What a job costs that is ready at a moment: by its dates, and by how long it stays. */
export function costWhenReady({ work: { jobs, weights: w } }: Board, job: number, finish: number): number {
  const planned = jobs[job];
  if (!planned) return 0;
  const { due, hard, promised } = planned;
  return endCosts(
    finish,
    w.stay,
    due ?? Infinity,
    hard ? w.hard : w.wished,
    promised ?? Infinity,
    w.promised,
  );
}

/** The same, looked up once for many moments of the same jobs. */
export class ReadyCosts {
  private readonly due: Float64Array;
  private readonly late: Float64Array;
  private readonly promised: Float64Array;
  private readonly stay: number;
  private readonly broken: number;

  constructor({ work: { jobs, weights: w } }: Board) {
    this.due = Float64Array.from(jobs, ({ due }) => due ?? Infinity);
    this.late = Float64Array.from(jobs, ({ hard }) => (hard ? w.hard : w.wished));
    this.promised = Float64Array.from(jobs, ({ promised }) => promised ?? Infinity);
    [this.stay, this.broken] = [w.stay, w.promised];
  }

  /** What a job costs that is ready at a moment. */
  of(job: number, finish: number): number {
    const { due, late, promised } = this;
    return endCosts(
      finish,
      this.stay,
      due[job] as number,
      late[job] as number,
      promised[job] as number,
      this.broken,
    );
  }
}

/** What one job costs as it stands: late first, then what was promised, what moved, how long it stays, other hands. */
export function costOfJob(b: Board, job: number): number {
  const own = b.ofJob[job] ?? [];
  const planned = b.work.jobs[job];
  if (!planned || own.length === 0) return 0;
  const { weights: w } = b.work;
  let finish = 0;
  let cost = 0;
  for (const at of own) {
    const s = b.seats[at];
    if (!s) cost += UNPLACED;
    else {
      finish = Math.max(finish, s.free);
      cost += w.moved * movedCost(b, at, s);
    }
  }
  return cost + costWhenReady(b, job, finish) + w.hands * handsChanged(b, own, planned);
}

/** What all jobs cost that are later than their dates, and steps without a place: what one may move others for. */
export function lateCost(b: Board): number {
  const { weights: w } = b.work;
  return b.work.jobs.reduce((sum, j, i) => {
    if (j.steps.length === 0) return sum;
    const finish = finishOf(b, i);
    if (finish === null) return sum + UNPLACED;
    return sum + (j.hard ? w.hard : w.wished) * late(finish, j.due) + w.promised * late(finish, j.promised);
  }, 0);
}

/** What a whole plan costs. */
export const costOf = (b: Board): number => b.ofJob.reduce((sum, _, job) => sum + costOfJob(b, job), 0);
