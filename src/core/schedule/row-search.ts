/** Better plans by moving steps about in the row that a plan is: what stands behind them moves up or back with them. */
import type { Board } from './board.ts';
import { boardWith } from './bound.ts';
import { costOf } from './cost.ts';
import type { Progress } from './in-order.ts';
import { fixedSteps } from './place.ts';
import { Row } from './one-row.ts';

/**
 * How often one step changes places with another, is moved, given to somebody else, or its whole job moved; else all that one does of a
 * job goes to another.
 */
const SWAPPED = 0.3;
const ONE_MOVED = 0.42;
const ONE_GIVEN = 0.1;
const JOB_MOVED = 0.14;
/** By how many of a hand's steps one is moved at most, mostly and now and then. */
const NEAR = 3;
const FAR = 20;
const HOW_OFTEN_FAR = 0.3;
/** How far off the step may be that one changes places with, mostly and now and then, in steps of anybody's. */
const SWAP_NEAR = 60;
const SWAP_FAR = 400;
/** By how many steps of anybody's a whole job is moved at most. */
const JOB_NEAR = 30;
const JOB_FAR = 200;
/** What is far dearer than what would be taken is not looked at to its end: as a part of what a job costs beyond its least. */
const TOO_DEAR = 0.1;

/** What is dearer by so much is still taken once in a while, at first and in the end: as a part of the same. */
const HOT = 0.04;
const COLD = 0.002;
/** So many changes are tried before others may go on: about what one try of taking some jobs off takes. */
const AT_ONCE = 30;

/** One change of a row: what is otherwise, what hands cost more, and how it is taken back. */
interface Move {
  readonly from: number;
  readonly changed: number;
  readonly hands: readonly number[];
  readonly more: number;
  readonly back: () => void;
}

/** A search by one change after another. */
export class RowSearch {
  private readonly tooDear: number;

  private readonly row: Row;
  private readonly chance: () => number;

  /** @param usual what a job costs on average beyond what it costs at least */
  constructor(row: Row, chance: () => number, usual: number) {
    this.row = row;
    this.chance = chance;
    this.tooDear = TOO_DEAR * usual;
  }

  /**
   * Tries one change.
   * @param heat a plan’s cost: what is dearer by so much is still taken once in a while (1 in e); at 0 nothing dearer is
   * @returns whether there was one to look at
   */
  try(heat: number): boolean {
    const { row } = this;
    const move = row.steps.length > 0 ? this.any() : null;
    if (!move) return false;
    const most = -heat * Math.log(1 - this.chance());
    const more =
      move.more + row.standFrom(move.from, move.changed, most - move.more + this.tooDear, move.hands);
    if (more <= most) row.cost += more;
    else {
      row.undo();
      move.back();
    }
    return true;
  }

  private some(of: number): number {
    return Math.floor(this.chance() * of);
  }

  private any(): Move | null {
    const node = this.some(this.row.steps.length);
    let kind = this.chance();
    if (kind < SWAPPED) return this.swapped(node);
    kind -= SWAPPED;
    if (kind < ONE_MOVED) return this.oneMoved(node);
    if (kind < ONE_MOVED + ONE_GIVEN) return this.oneGiven(node);
    return kind < ONE_MOVED + ONE_GIVEN + JOB_MOVED ? this.jobMoved(node) : this.jobGiven(node);
  }

  /** The position at which a step comes before or after a few more of a hand's, not past what it needs or what needs it. */
  private past(node: number, hand: number): number {
    const { row } = this;
    const [prev, next] = [row.prev[node] as number, row.next[node] as number];
    const low = prev < 0 ? 0 : (row.at[prev] as number) + 1;
    const high = next < 0 ? row.steps.length - 1 : (row.at[next] as number) - 1;
    const by = this.chance() < 0.5 ? -1 : 1;
    let left = 1 + this.some(this.chance() < HOW_OFTEN_FAR ? FAR : NEAR);
    let found = row.at[node] as number;
    for (let i = found + by; i >= low && i <= high && left > 0; i += by)
      if (row.hand[row.list[i] as number] === hand) {
        left--;
        found = i;
      }
    return found;
  }

  private oneMoved(node: number): Move | null {
    const { row } = this;
    const hand = row.hand[node] as number;
    const from = row.at[node] as number;
    const to = this.past(node, hand);
    if (to === from) return null;
    row.shift(from, to);
    return {
      from: Math.min(from, to),
      changed: Math.max(from, to),
      hands: [hand],
      more: 0,
      back: () => row.shift(to, from),
    };
  }

  /** Two steps in each other's places and hands: what fits into a day better than what stands there needs both to move. */
  private swapped(one: number): Move | null {
    const { row } = this;
    const far = this.chance() < HOW_OFTEN_FAR ? SWAP_FAR : SWAP_NEAR;
    const from = row.at[one] as number;
    const to = from + Math.round((2 * this.chance() - 1) * far);
    if (to < 0 || to >= row.steps.length || to === from) return null;
    const [low, high] = [Math.min(from, to), Math.max(from, to)];
    const [sooner, later] = [row.list[low] as number, row.list[high] as number];
    const [next, prev] = [row.next[sooner] as number, row.prev[later] as number];
    if ((next >= 0 && (row.at[next] as number) <= high) || (prev >= 0 && (row.at[prev] as number) >= low))
      return null;
    const hands = [row.hand[sooner] as number, row.hand[later] as number] as const;
    if (!row.steps[sooner]?.who.includes(hands[1]) || !row.steps[later]?.who.includes(hands[0])) return null;
    const swap = (): number => {
      const [a, b] = [row.list[low] as number, row.list[high] as number];
      [row.list[low], row.list[high], row.at[a], row.at[b]] = [b, a, high, low];
      [row.hand[a], row.hand[b]] = [row.hand[b] as number, row.hand[a] as number];
      const jobs = [row.jobOf[sooner] as number, row.jobOf[later] as number] as const;
      return row.handsAgain(jobs[0]) + (jobs[1] === jobs[0] ? 0 : row.handsAgain(jobs[1]));
    };
    return {
      from: low,
      changed: high,
      hands,
      more: swap(),
      back: swap,
    };
  }

  /** Somebody else for a step: who has the one before or after it, or anybody. */
  private otherHand(node: number): number {
    const { row } = this;
    const who = row.steps[node]?.who ?? [];
    const beside = this.chance();
    const other = (beside < 0.25 ? row.prev[node] : beside < 0.5 ? row.next[node] : undefined) ?? -1;
    const hand = other < 0 ? -1 : (row.hand[other] as number);
    return who.includes(hand) ? hand : (who[this.some(who.length)] ?? (row.hand[node] as number));
  }

  private oneGiven(node: number): Move | null {
    const { row } = this;
    const was = row.hand[node] as number;
    const hand = this.otherHand(node);
    if (hand === was) return null;
    const from = row.at[node] as number;
    const to = this.chance() < 0.5 ? from : this.past(node, hand);
    const job = row.jobOf[node] as number;
    row.shift(from, to);
    row.hand[node] = hand;
    return {
      from: Math.min(from, to),
      changed: Math.max(from, to),
      hands: [was, hand],
      more: row.handsAgain(job),
      back: () => {
        row.shift(to, from);
        row.hand[node] = was;
        row.handsAgain(job);
      },
    };
  }

  private stepsOfJob(node: number): number[] {
    const { row } = this;
    const all: number[] = [];
    for (let own = row.first[row.jobOf[node] as number] as number; own >= 0; own = row.next[own] as number)
      all.push(own);
    return all;
  }

  private jobMoved(node: number): Move | null {
    const { row } = this;
    const steps = this.stepsOfJob(node);
    const by = Math.round((2 * this.chance() - 1) * (this.chance() < 0.5 ? JOB_NEAR : JOB_FAR));
    const done: (readonly [from: number, to: number])[] = [];
    let limit = by < 0 ? 0 : row.steps.length - 1;
    for (const own of by < 0 ? steps : [...steps].reverse()) {
      const from = row.at[own] as number;
      const to = by < 0 ? Math.max(limit, from + by) : Math.min(limit, from + by);
      limit = by < 0 ? to + 1 : to - 1;
      if (to === from) continue;
      row.shift(from, to);
      done.push([from, to]);
    }
    if (done.length === 0) return null;
    return {
      from: Math.min(...done.flat()),
      changed: Math.max(...done.flat()),
      hands: [...new Set(steps.map((own) => row.hand[own] as number))],
      more: 0,
      back: () => {
        for (const [from, to] of done.reverse()) row.shift(to, from);
      },
    };
  }

  private jobGiven(node: number): Move | null {
    const { row } = this;
    const was = row.hand[node] as number;
    const hand = this.otherHand(node);
    if (hand === was) return null;
    const steps = this.stepsOfJob(node).filter(
      (own) => row.hand[own] === was && row.steps[own]?.who.includes(hand),
    );
    const job = row.jobOf[node] as number;
    const give = (to: number): number => {
      for (const own of steps) row.hand[own] = to;
      return row.handsAgain(job);
    };
    const at = steps.map((own) => row.at[own] as number);
    return {
      from: Math.min(...at),
      changed: Math.max(...at),
      hands: [was, hand],
      more: give(hand),
      back: () => {
        give(was);
      },
    };
  }
}

/**
 * Looks for a better plan in the row that the one on a board is; the board is left as it is.
 * @param usual what a job costs on average beyond what it costs at least
 * @param chance the next random number
 * @param found is told how far it is, and in the end the best plan
 * @param passed how much of the time it has is over, 0 to 1: at 1 it ends
 */
export function* searchingRow(
  b: Board,
  usual: number,
  chance: () => number,
  found: Progress,
  passed: (effort: number) => number,
): Generator<Progress, void> {
  const row = new Row(b, fixedSteps(b));
  if (row.steps.length === 0) return;
  const search = new RowSearch(row, chance, usual);
  // What is not in the row costs the same whatever is done in it.
  const beside = costOf(boardWith(b.work, row.seats)) - row.cost;
  let best: Pick<Row, 'list' | 'hand'> | null = null;
  try {
    for (let part = passed(found.effort); part < 1; part = passed(found.effort)) {
      const heat = usual * HOT * (COLD / HOT) ** part;
      for (let n = 0; n < AT_ONCE; n++) if (search.try(heat)) found.tries++;
      found.effort++;
      if (row.cost + beside < found.least - 1e-6) {
        found.least = row.cost + beside;
        best = { list: row.list.slice(), hand: row.hand.slice() };
      }
      yield found;
    }
  } finally {
    if (best) {
      row.makeLike(best);
      found.best = row.seats;
    }
  }
}
