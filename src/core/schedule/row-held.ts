import type { Board } from './board.ts';

/** What of a plan is not in its row. */
export interface Held {
  /** by step of the board: whether it stays where it is */
  readonly stays: readonly boolean[];
  /** by job: until when something of it stands that is held */
  readonly heldUntil: readonly number[];
  /** by job: whose hands it is in before its first step of the row; −1: nobody’s */
  readonly handBefore: readonly number[];
}

/**
 * What stays where it is of a plan.
 * @param b a plan
 * @param held of each of its steps, whether it stays; so do jobs of which one has no place, or others come before such a one
 */
export function heldOf(b: Board, held: readonly boolean[]): Held {
  const heldUntil = b.ofJob.map((own) =>
    Math.max(0, ...own.map((at) => (held[at] ? (b.seats[at]?.free ?? 0) : 0))),
  );
  const moves = b.ofJob.map((own, job) =>
    own.every((at) => b.seats[at] && (held[at] || b.seats[at].start >= (heldUntil[job] ?? 0))),
  );
  const handBefore = b.ofJob.map((own, job) => {
    const last = own
      .flatMap((at) => (held[at] ? (b.seats[at] ?? []) : []))
      .sort((x, y) => y.start - x.start)[0];
    return last?.worker ?? b.work.workers.findIndex((w) => w.id === b.work.jobs[job]?.holder);
  });
  return { stays: b.steps.map(({ at, job }) => held[at] === true || !moves[job]), heldUntil, handBefore };
}
