/** In which order, and by whom, the steps of a row are done. */

/** Between two turns that are nearer to each other than this nothing is put any more. */
const NARROW = 1e-6;

/**
 * What comes before what: everybody's steps by their turn, chained. A step that is taken out has no place until it is put somewhere. The
 * end of everybody's chain, in front of the first step and behind the last, is a number of its own that is no step's. Kinds of places
 * are chained in the same way, each like a person; what needs none has nobody.
 */
export class RowOrder {
  /** by step: its turn; a job's steps come one after the other, and so do everybody's */
  readonly turn: Float64Array;
  /** by step: who does it; −1: it was taken out */
  readonly hand: Int32Array;
  /** by step: the one its person does before it, and after it */
  readonly before: Int32Array;
  readonly after: Int32Array;
  /** what was taken out since the last `keep`; so many of them */
  readonly moved: Int32Array;
  movedMany = 0;
  /** whether turns should be made anew: something found no room between two */
  isNarrow = false;

  private readonly steps: number;
  /** everybody's steps as they were kept last, and their turns then */
  private readonly lines: readonly Int32Array[];
  private readonly turns: readonly Float64Array[];
  private readonly counts: Int32Array;
  /** of what was taken out: where it was */
  private readonly wasHand: Int32Array;
  private readonly wasTurn: Float64Array;
  private readonly wasAfter: Int32Array;
  /** by person: whether their chain is another than it was kept last */
  private readonly isOther: Uint8Array;

  /**
   * @param people how many there are
   * @param turn by step
   * @param hand by step
   */
  constructor(people: number, turn: Float64Array, hand: Int32Array) {
    this.steps = turn.length;
    const { steps } = this;
    this.turn = turn;
    this.hand = hand;
    [this.before, this.after] = [new Int32Array(steps + people), new Int32Array(steps + people)];
    [this.moved, this.wasHand, this.wasAfter] = [
      new Int32Array(steps),
      new Int32Array(steps),
      new Int32Array(steps),
    ];
    this.wasTurn = new Float64Array(steps);
    this.lines = Array.from({ length: people }, () => new Int32Array(steps));
    this.turns = Array.from({ length: people }, () => new Float64Array(steps));
    this.counts = new Int32Array(people);
    this.isOther = new Uint8Array(people);
    this.lineUp();
  }

  /** Chains all steps anew, by their turn and hand. */
  lineUp(): void {
    const { turn, hand, before, after, steps, counts } = this;
    counts.forEach((_, w) => {
      before[steps + w] = steps + w;
      after[steps + w] = steps + w;
    });
    for (const node of this.sorted(turn)) {
      const w = hand[node] as number;
      if (w >= 0) this.link(node, before[steps + w] as number);
    }
    this.isOther.fill(1);
    this.keep();
  }

  private link(node: number, behind: number): void {
    const { before, after } = this;
    const next = after[behind] as number;
    before[node] = behind;
    after[node] = next;
    after[behind] = node;
    before[next] = node;
  }

  private unlink(node: number): void {
    const { before, after } = this;
    const last = before[node] as number;
    const next = after[node] as number;
    after[last] = next;
    before[next] = last;
  }

  /** How many steps somebody had when they were kept last. */
  count(person: number): number {
    return this.counts[person] as number;
  }

  /** One of somebody's steps as they were kept last, by how many came before it; −1: none. */
  stepAt(person: number, index: number): number {
    return index < 0 || index >= (this.counts[person] as number)
      ? -1
      : ((this.lines[person] as Int32Array)[index] as number);
  }

  /** How many of somebody's steps came before a turn when they were kept last. */
  countBefore(person: number, turn: number): number {
    const turns = this.turns[person] as Float64Array;
    let low = 0;
    let high = this.counts[person] as number;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((turns[middle] as number) < turn) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  /** The last in somebody's chain whose turn comes before one, or the end of the chain in front of all. */
  lastBefore(person: number, turn: number): number {
    const { after, steps } = this;
    const line = this.lines[person] as Int32Array;
    let index = this.countBefore(person, turn) - 1;
    // What was moved meanwhile is somewhere else.
    while (index >= 0 && this.isMoved(line[index] as number)) index--;
    let found = index < 0 ? steps + person : (line[index] as number);
    for (;;) {
      const next = after[found] as number;
      if (next >= steps || (this.turn[next] as number) >= turn) return found;
      found = next;
    }
  }

  /** Whether a step was taken out since the last `keep`. */
  isMoved(node: number): boolean {
    for (let i = 0; i < this.movedMany; i++) if (this.moved[i] === node) return true;
    return false;
  }

  /** Takes a step out of its chain. */
  take(node: number): void {
    const n = this.movedMany++;
    const w = this.hand[node] as number;
    this.moved[n] = node;
    this.wasHand[n] = w;
    this.wasTurn[n] = this.turn[node] as number;
    this.wasAfter[n] = this.before[node] as number;
    this.isOther[w] = 1;
    this.unlink(node);
    this.hand[node] = -1;
  }

  /** Puts a step that was taken out into somebody's chain, behind one of theirs or the end of it. */
  put(node: number, hand: number, turn: number, behind: number): void {
    this.hand[node] = hand;
    this.turn[node] = turn;
    this.isOther[hand] = 1;
    this.link(node, behind);
  }

  /** What was moved stays where it is. */
  keep(): void {
    const { isOther, after, steps, turn } = this;
    this.movedMany = 0;
    for (let w = 0; w < isOther.length; w++) {
      if (isOther[w] === 0) continue;
      isOther[w] = 0;
      const line = this.lines[w] as Int32Array;
      const turns = this.turns[w] as Float64Array;
      let many = 0;
      for (let node = after[steps + w] as number; node < steps; node = after[node] as number) {
        line[many] = node;
        turns[many++] = turn[node] as number;
      }
      this.counts[w] = many;
    }
  }

  /** Puts all that was moved since the last `keep` back; what was moved is still known until it is kept. */
  undo(): void {
    const { moved, hand } = this;
    for (let i = this.movedMany - 1; i >= 0; i--) {
      const node = moved[i] as number;
      if ((hand[node] as number) >= 0) this.unlink(node);
      hand[node] = this.wasHand[i] as number;
      this.turn[node] = this.wasTurn[i] as number;
      this.link(node, this.wasAfter[i] as number);
    }
    this.isOther.fill(0);
  }

  /** Whether there is room for something between two turns. */
  hasRoom(low: number, high: number): boolean {
    if (high - low > NARROW) return true;
    if (high > low) this.isNarrow = true;
    return false;
  }

  /** All steps by a moment of each, of equal ones by their turn. */
  private sorted(moment: Float64Array): Int32Array {
    const { turn } = this;
    return Int32Array.from(turn.keys()).sort(
      (x, y) =>
        (moment[x] as number) - (moment[y] as number) || (turn[x] as number) - (turn[y] as number) || x - y,
    );
  }

  /** Turns anew: one after the other, by a moment of each and then as they were. */
  renumber(moment: Float64Array): void {
    this.sorted(moment).forEach((node, at) => {
      this.turn[node] = at;
    });
    this.isNarrow = false;
    this.lineUp();
  }
}
