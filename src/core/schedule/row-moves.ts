/** What may be done otherwise in the row that a plan is: something sooner, later, by somebody else, in the place of something else. */
import type { Row } from './one-row.ts';

/** How often two change places, one is moved, or given to somebody else; else a whole job is moved, or all that one does of it given away. */
const SWAPPED = 0.8;
const MOVED = 0.08;
const GIVEN = 0.06;
const JOB_MOVED = 0.03;
/** How often it is all that one does of a job on end, not a step of it. */
const ON_END = 0.85;
/** By how many of a hand's steps something is moved at most, mostly and now and then. */
const NEAR = 3;
const FAR = 20;
const HOW_OFTEN_FAR = 0.3;
/** The same for what changes places. */
const SWAP_NEAR = 8;
const SWAP_FAR = 50;
/** How often it is with who has the step of the job before it, and as often with who has the one after it; and what is given, to them. */
const SWAPPED_BESIDE = 0.35;
const GIVEN_BESIDE = 0.25;
/** By how many steps of anybody's a whole job is moved at most. */
const JOB_NEAR = 30;
const JOB_FAR = 200;

/** Changes of a row, one at a time. */
export class RowMoves {
  private readonly row: Row;
  private readonly chance: () => number;
  /** what is moved, and what it changes places with */
  private readonly own: number[] = [];
  private readonly others: number[] = [];
  /** between which turns what is put somewhere has to stay */
  private low = 0;
  private high = 0;

  constructor(row: Row, chance: () => number) {
    this.row = row;
    this.chance = chance;
  }

  /** Changes something; the row does not stand yet. @returns false: nothing came to mind that can be done, and nothing is changed */
  any(): boolean {
    const { row, own } = this;
    const many = row.of.steps.length;
    if (many === 0) return false;
    const node = this.some(many);
    let kind = this.chance();
    if (kind < SWAPPED + MOVED + GIVEN) {
      this.onEnd(node, own);
      if (kind < SWAPPED) return this.kept(this.swapped());
      return this.kept(kind < SWAPPED + MOVED ? this.moved() : this.given());
    }
    kind -= SWAPPED + MOVED + GIVEN;
    return this.kept(kind < JOB_MOVED ? this.jobMoved(node) : this.jobGiven(node));
  }

  /** What could only be done in part is taken back. */
  private kept(isDone: boolean): boolean {
    if (!isDone && this.row.order.movedMany > 0) this.row.undo();
    return isDone;
  }

  private some(of: number): number {
    return Math.floor(this.chance() * of);
  }

  /** A number of steps, backwards or forwards. */
  private away(near: number, far: number): number {
    const many = 1 + this.some(this.chance() < HOW_OFTEN_FAR ? far : near);
    return this.chance() < 0.5 ? -many : many;
  }

  /** A step, or with it all that its person does of the job before and after it while nothing rests. */
  private onEnd(node: number, all: number[]): void {
    all.length = 0;
    if (this.chance() >= ON_END) {
      all.push(node);
      return;
    }
    const { prev, next, wait } = this.row.of;
    const { order } = this.row;
    const hand = order.hand[node];
    let first = node;
    for (let before = prev[first] as number; before >= 0; before = prev[first] as number) {
      if (order.hand[before] !== hand || (wait[before] as number) > 0) break;
      first = before;
    }
    for (let last = first; ;) {
      all.push(last);
      if ((wait[last] as number) > 0) return;
      last = next[last] as number;
      if (last < 0 || order.hand[last] !== hand) return;
    }
  }

  /** Finds between which turns steps of one job have to stay. */
  private bounds(nodes: readonly number[]): void {
    const { order } = this.row;
    const { prev, next } = this.row.of;
    const before = prev[nodes[0] as number] as number;
    const after = next[nodes[nodes.length - 1] as number] as number;
    this.low = before < 0 ? -Infinity : (order.turn[before] as number);
    this.high = after < 0 ? Infinity : (order.turn[after] as number);
  }

  private mayDo(nodes: readonly number[], hand: number): boolean {
    for (const node of nodes) if (this.row.of.may[node * this.row.of.people + hand] === 0) return false;
    return true;
  }

  private take(nodes: readonly number[]): void {
    for (const node of nodes) this.row.take(node);
  }

  /** Puts steps that were taken out one behind the other behind one of somebody's or the end of their chain. */
  private putBehind(nodes: readonly number[], hand: number, behind: number): boolean {
    const { order } = this.row;
    const { steps } = this.row.of;
    const after = order.after[behind] as number;
    let { low, high } = this;
    if (behind < steps.length) low = Math.max(low, order.turn[behind] as number);
    if (after < steps.length) high = Math.min(high, order.turn[after] as number);
    if (low === -Infinity) low = high === Infinity ? 0 : high - 1;
    if (high === Infinity) high = low + 1;
    return this.putBetween(nodes, 0, hand, low, high, behind);
  }

  /** Puts them, from one of them on, between two turns. */
  private putBetween(
    nodes: readonly number[],
    from: number,
    hand: number,
    low: number,
    high: number,
    behind: number,
  ): boolean {
    const { row } = this;
    if (!row.order.hasRoom(low, high)) return false;
    const each = (high - low) / (nodes.length - from + 1);
    let turn = low + each * (0.5 + this.chance());
    let last = behind;
    for (let i = from; i < nodes.length; i++, turn += each) {
      const node = nodes[i] as number;
      row.put(node, hand, turn, last);
      last = node;
    }
    return true;
  }

  /** From one in a chain so many on, as far as turns allow; those behind are backwards. */
  private walk(from: number, by: number): number {
    const { order } = this.row;
    const { steps } = this.row.of;
    const { turn, before, after } = order;
    const many = steps.length;
    let at = from;
    let left = by;
    for (; left > 0; left--) {
      const next = after[at] as number;
      if (next >= many || (turn[next] as number) >= this.high) break;
      at = next;
    }
    for (; left < 0; left++) {
      if (at >= many || (turn[at] as number) <= this.low) break;
      at = before[at] as number;
    }
    return at;
  }

  private moved(): boolean {
    const { own, row } = this;
    const first = own[0] as number;
    const hand = row.order.hand[first] as number;
    const before = row.order.before[first] as number;
    this.bounds(own);
    this.take(own);
    const behind = this.walk(before, this.away(NEAR, FAR));
    return behind !== before && this.putBehind(own, hand, behind);
  }

  /** Who has what comes before some steps of a job, or after them, each so often; else anybody who may do the first of them. */
  private handBeside(first: number, last: number, often: number): number {
    const { of, order } = this.row;
    const beside = this.chance();
    const other = (beside < often ? of.prev[first] : beside < 2 * often ? of.next[last] : -1) as number;
    if (other >= 0) return order.hand[other] as number;
    const who = of.steps[first]?.who ?? [];
    return who[this.some(who.length)] as number;
  }

  private given(): boolean {
    const { own, row } = this;
    const { order } = row;
    const first = own[0] as number;
    const hand = this.handBeside(first, own[own.length - 1] as number, GIVEN_BESIDE);
    if (hand === order.hand[first] || !this.mayDo(own, hand)) return false;
    this.bounds(own);
    const behind = order.lastBefore(hand, order.turn[first] as number);
    this.take(own);
    return this.putBehind(own, hand, this.walk(behind, this.chance() < 0.5 ? 0 : this.away(NEAR, FAR)));
  }

  /** Two in each other's places and hands: what fits into a day better than what stands there needs both to move. */
  private swapped(): boolean {
    const { row, own, others } = this;
    const { order } = row;
    const first = own[0] as number;
    const was = order.hand[first] as number;
    const hand = this.handBeside(first, own[own.length - 1] as number, SWAPPED_BESIDE);
    if (!this.mayDo(own, hand)) return false;
    const turn = order.turn[first] as number;
    const other = order.stepAt(hand, order.countBefore(hand, turn) + this.away(SWAP_NEAR, SWAP_FAR));
    if (other < 0 || row.of.jobOf[other] === row.of.jobOf[first]) return false;
    this.onEnd(other, others);
    const otherTurn = order.turn[others[0] as number] as number;
    if (otherTurn === turn || !this.mayDo(others, was)) return false;
    this.bounds(own);
    if (otherTurn <= this.low || otherTurn >= this.high) return false;
    this.bounds(others);
    if (turn <= this.low || turn >= this.high) return false;
    this.take(own);
    this.take(others);
    if (was === hand && otherTurn > turn) this.high = Math.min(this.high, otherTurn);
    if (!this.putAt(others, was, turn)) return false;
    this.bounds(own);
    return this.putAt(own, hand, otherTurn);
  }

  /** Puts steps that were taken out one behind the other, the first at a turn. */
  private putAt(nodes: readonly number[], hand: number, turn: number): boolean {
    const { order } = this.row;
    const { steps } = this.row.of;
    const behind = order.lastBefore(hand, turn);
    const after = order.after[behind] as number;
    const next = after < steps.length ? (order.turn[after] as number) : Infinity;
    if (next === turn) return false;
    const first = nodes[0] as number;
    const high = Math.min(this.high, next);
    this.row.put(first, hand, turn, behind);
    return (
      nodes.length === 1 || this.putBetween(nodes, 1, hand, turn, high === Infinity ? turn + 1 : high, first)
    );
  }

  private stepsOfJob(node: number): number[] {
    const { row, own } = this;
    own.length = 0;
    for (
      let at = row.of.first[row.of.jobOf[node] as number] as number;
      at >= 0;
      at = row.of.next[at] as number
    )
      own.push(at);
    return own;
  }

  private jobMoved(node: number): boolean {
    const { order } = this.row;
    const by = (2 * this.chance() - 1) * (this.chance() < 0.5 ? JOB_NEAR : JOB_FAR);
    this.high = Infinity;
    for (const own of this.stepsOfJob(node)) {
      const hand = order.hand[own] as number;
      this.row.take(own);
      // Those after it are moved as far: for now they may come before it.
      if (!this.putAt(this.only(own), hand, (order.turn[own] as number) + by)) return false;
    }
    return true;
  }

  private only(node: number): number[] {
    this.others.length = 0;
    this.others.push(node);
    return this.others;
  }

  private jobGiven(node: number): boolean {
    const { order } = this.row;
    const was = order.hand[node];
    const hand = this.handBeside(node, node, GIVEN_BESIDE);
    if (hand === was) return false;
    this.high = Infinity;
    for (const own of this.stepsOfJob(node)) {
      if (order.hand[own] !== was || this.row.of.may[own * this.row.of.people + hand] === 0) continue;
      const turn = order.turn[own] as number;
      this.row.take(own);
      if (!this.putAt(this.only(own), hand, turn)) return false;
    }
    return true;
  }
}
