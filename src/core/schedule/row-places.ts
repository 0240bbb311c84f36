import { isSpotFree, spotFrom, type Board, type BoardStep } from './board.ts';
import { RowOrder } from './row-order.ts';
import type { RowSteps } from './row-steps.ts';

/** Which places the steps of a row take, and until when: whose turn comes first takes one first. */
export class RowPlaces {
  /** of those that need a place: when they begin, whether they waited for it, which it is, and until when it is taken */
  readonly begins: Float64Array;
  readonly waited: Uint8Array;
  readonly spot: Int32Array;
  readonly hold: Float64Array;

  /** by place: until when it is taken by those whose turn comes before the step looked at last */
  readonly taken: Float64Array;
  /** by place: whether nothing is ever in its way but what is in the row */
  private readonly isOpen: Uint8Array;

  /** for each kind of place those that need one, by their turn */
  readonly order: RowOrder;

  private readonly frame: Board;
  private readonly of: RowSteps;

  /**
   * @param frame a board with what is not in the row, and nothing else
   * @param turn by step
   */
  constructor(frame: Board, of: RowSteps, turn: Float64Array) {
    this.frame = frame;
    this.of = of;
    this.order = new RowOrder(of.kinds, turn, of.kind.slice());
    const n = of.steps.length;
    [this.begins, this.hold] = [new Float64Array(n), new Float64Array(n)];
    [this.waited, this.spot] = [new Uint8Array(n), new Int32Array(n).fill(-1)];
    this.taken = new Float64Array(frame.spots.length);
    this.isOpen = Uint8Array.from(frame.spots, ({ from, to }) =>
      from[0] === 0 && to[0] === Infinity ? 1 : 0,
    );
  }

  /** Takes a step out of the order of those that need a place, if it does. */
  takeOut(node: number): void {
    if ((this.of.kind[node] as number) >= 0) this.order.take(node);
  }

  /** Puts it there again, at its turn. */
  putBack(node: number, turn: number): void {
    const kind = this.of.kind[node] as number;
    if (kind >= 0) this.order.put(node, kind, turn, this.order.lastBefore(kind, turn));
  }

  /**
   * Tells of those whose turn comes after a step’s and that need a place like it to whom it makes a difference that it takes, or took, one
   * until then: up to the next that takes the same one and stood there before the last change was begun.
   * @param hold until when, minutes since the plan's beginning
   */
  tell(node: number, spot: number, hold: number, minds: (other: number) => void): void {
    const { after } = this.order;
    const { length } = this.begins;
    for (let other = after[node] as number; other < length; other = after[other] as number) {
      if ((this.begins[other] as number) < hold || this.waited[other] === 1) minds(other);
      if (this.spot[other] === spot && !this.order.isMoved(other)) return;
    }
  }

  /** Until when places are taken by those whose turn comes before a step’s: of each place the last of them has it longest. */
  takenBefore(node: number): void {
    const { taken, spot, hold, order } = this;
    taken.fill(0);
    this.waited[node] = 0;
    const { length } = this.begins;
    let left = (this.of.steps[node]?.where ?? []).length;
    for (let other = order.before[node] as number; other < length; other = order.before[other] as number) {
      const s = spot[other] as number;
      if (s < 0 || (taken[s] as number) > 0) continue;
      taken[s] = hold[other] as number;
      if (--left === 0) return;
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
