/** Steps that wait for their turn: the one whose turn is the soonest comes out first, each at most once. */
export class TurnQueue {
  /** how many of those that wait can perhaps be done sooner than before */
  sooner = 0;

  private readonly heap: Int32Array;
  /** by step: 0: it does not wait, 1: it does, 2: and can perhaps be done sooner than before */
  private readonly is: Uint8Array;
  private count = 0;

  private readonly turn: Float64Array;

  /** @param turn by step: when it is its turn; it does not change while the step waits */
  constructor(turn: Float64Array) {
    this.turn = turn;
    this.heap = new Int32Array(turn.length);
    this.is = new Uint8Array(turn.length);
  }

  /** Whether it is the turn of one step before that of another; of equal ones the first comes first. */
  isSooner(one: number, other: number): boolean {
    const x = this.turn[one] as number;
    const y = this.turn[other] as number;
    return x < y || (x === y && one < other);
  }

  /** Lets a step wait, unless it does already. */
  add(node: number, perhapsSooner: boolean): void {
    const was = this.is[node] as number;
    if (perhapsSooner && was < 2) {
      this.is[node] = 2;
      this.sooner++;
    }
    if (was > 0) return;
    if (!perhapsSooner) this.is[node] = 1;
    const { heap, turn } = this;
    const own = turn[node] as number;
    let at = this.count++;
    while (at > 0) {
      const above = (at - 1) >> 1;
      const other = heap[above] as number;
      const others = turn[other] as number;
      if (others < own || (others === own && other < node)) break;
      heap[at] = other;
      at = above;
    }
    heap[at] = node;
  }

  /** Takes out the one whose turn is the soonest; −1: none waits. */
  next(): number {
    if (this.count === 0) return -1;
    const { heap } = this;
    const found = heap[0] as number;
    if (this.is[found] === 2) this.sooner--;
    this.is[found] = 0;
    const many = --this.count;
    const last = heap[many] as number;
    let at = 0;
    for (;;) {
      let below = 2 * at + 1;
      if (below >= many) break;
      if (below + 1 < many && this.isSooner(heap[below + 1] as number, heap[below] as number)) below++;
      const other = heap[below] as number;
      if (this.isSooner(last, other)) break;
      heap[at] = other;
      at = below;
    }
    heap[at] = last;
    return found;
  }

  /** Lets all go. */
  clear(): void {
    for (let at = 0; at < this.count; at++) this.is[this.heap[at] as number] = 0;
    this.count = 0;
    this.sooner = 0;
  }
}
