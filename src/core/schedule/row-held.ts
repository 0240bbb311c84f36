import type { Board } from './board.ts';

/** What of a plan is not in its row. Indices are the board's, moments minutes since the plan's beginning. */
export interface Held {
  /** by step: whether it stays where it is */
  readonly stays: readonly boolean[];
  /** by step that is in the row: from when on, and until when, what stays of its job lets it and its rest stand */
  readonly from: readonly number[];
  readonly until: readonly number[];
  /** by step that is in the row: who has the first and the last of what stays between the one before it and itself; −1: nothing does */
  readonly firstHand: readonly number[];
  readonly lastHand: readonly number[];
  /** by job: whose hands it is in before all of it that is in the row, and those it goes on to after that; −1: nobody’s */
  readonly handBefore: readonly number[];
  readonly handAfter: readonly number[];
  /** by job: when what stays of it has rested, 0 where nothing does */
  readonly rested: readonly number[];
}

/**
 * What stays where it is of a plan. What is in the row stays before and after it as it does in the plan.
 * @param b a plan
 * @param held of each of its steps, whether it stays; so do jobs of which one has no place
 */
export function heldOf(b: Board, held: readonly boolean[]): Held {
  const by = <T>(value: T): T[] => b.steps.map(() => value);
  const [stays, from, until] = [by(true), by(0), by(Infinity)];
  const [firstHand, lastHand] = [by(-1), by(-1)];
  const handBefore = b.work.jobs.map(({ holder }) => b.work.workers.findIndex((w) => w.id === holder));
  const handAfter = handBefore.map(() => -1);
  const rested = handBefore.map(() => 0);
  b.ofJob.forEach((own, job) => {
    const seats = own.flatMap((at) => b.seats[at] ?? []);
    if (seats.length < own.length) return;
    const inRow: number[] = [];
    let stand: number[] = [];
    for (const at of [...own].sort((x, y) => (b.seats[x]?.start ?? 0) - (b.seats[y]?.start ?? 0))) {
      const { worker = -1, start = 0, free = 0 } = b.seats[at] ?? {};
      if (held[at]) {
        stand.push(worker);
        rested[job] = Math.max(rested[job] ?? 0, free);
        for (const before of inRow) until[before] = Math.min(until[before] ?? Infinity, start);
        continue;
      }
      stays[at] = false;
      from[at] = rested[job] ?? 0;
      if (inRow.length === 0) handBefore[job] = stand.at(-1) ?? handBefore[job] ?? -1;
      else [firstHand[at], lastHand[at]] = [stand[0] ?? -1, stand.at(-1) ?? -1];
      inRow.push(at);
      stand = [];
    }
    handAfter[job] = stand[0] ?? -1;
  });
  return { stays, from, until, firstHand, lastHand, handBefore, handAfter, rested };
}
