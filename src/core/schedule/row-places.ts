import { isSpotFree, spotFrom, type Board, type BoardStep } from './board.ts';
import type { RowSteps } from './row-steps.ts';
import type { TurnQueue } from './turn-queue.ts';

/** Which places the steps of a row take, and until when: whose turn comes first takes one first. */
export class RowPlaces {
  /** of those that need a place: when they begin, whether they waited for it, which it is, and until when it is taken */
  readonly begins: Float64Array;
  readonly waited: Uint8Array;
  readonly spot: Int32Array;
  readonly hold: Float64Array;

  private readonly taken: Float64Array;
  /** by place: whether nothing is ever in its way but what is in the row */
  private readonly isOpen: Uint8Array;

  private readonly frame: Board;
  private readonly of: RowSteps;
  private readonly queue: TurnQueue;

  /** @param frame a board with what is not in the row, and nothing else */
  constructor(frame: Board, of: RowSteps, queue: TurnQueue) {
    this.frame = frame;
    this.of = of;
    this.queue = queue;
    const n = of.steps.length;
    [this.begins, this.hold] = [new Float64Array(n), new Float64Array(n)];
    [this.waited, this.spot] = [new Uint8Array(n), new Int32Array(n).fill(-1)];
    this.taken = new Float64Array(frame.spots.length);
    this.isOpen = Uint8Array.from(frame.spots, ({ from, to }) =>
      from[0] === 0 && to[0] === Infinity ? 1 : 0,
    );
  }

  /** Whether it makes a difference to a step that another of the same kind of place, whose turn comes before, takes it until then. */
  minds(node: number, other: number, hold: number): boolean {
    if ((this.begins[other] as number) >= hold && this.waited[other] === 0) return false;
    return this.queue.isSooner(node, other);
  }

  /** Until when places are taken by those whose turn comes before a step's. */
  takenBefore(node: number): void {
    const { taken, spot, hold, queue } = this;
    taken.fill(0);
    this.waited[node] = 0;
    const like = this.of.placedLike[node] as Int32Array;
    for (let i = 0; i < like.length; i++) {
      const other = like[i] as number;
      if (!queue.isSooner(other, node)) continue;
      const s = spot[other] as number;
      if ((hold[other] as number) > (taken[s] as number)) taken[s] = hold[other] as number;
    }
  }

  /** Takes a place for a step that would begin at a moment. @returns when to look again; that moment where its place is taken */
  take(node: number, start: number, end: number, rested: number): number {
    const { where, step, minutes } = this.of.steps[node] as BoardStep;
    const hold = step.holds ? rested : end;
    let again = Infinity;
    for (const s of where ?? []) {
      const free = this.taken[s] as number;
      if (free <= start && (this.isOpen[s] === 1 || isSpotFree(this.frame, s, start, hold))) {
        this.spot[node] = s;
        this.hold[node] = hold;
        this.begins[node] = start;
        return start;
      }
      again = Math.min(again, free > start ? free : spotFrom(this.frame, s, start, minutes));
    }
    return again;
  }
}
