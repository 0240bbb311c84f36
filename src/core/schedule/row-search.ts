/** Better plans by moving steps about in the row that a plan is: what stands behind them moves up or back with them. */
import type { Board } from './board.ts';
import { boardWith, standingIn } from './bound.ts';
import { costOf } from './cost.ts';
import type { Progress } from './in-order.ts';
import { fixedSteps } from './place.ts';
import { Row } from './one-row.ts';
import { RowMoves } from './row-moves.ts';
import type { Turns } from './row-steps.ts';

/** What is far dearer than what would be taken is not looked at to its end: as a part of what a job costs beyond its least. */
const TOO_DEAR = 0.05;

/** What is dearer by so much is still taken once in a while, at first and in the end: as a part of the same. */
const HOT = 0.03;
const COLD = 0.003;
/** After so many changes turns are made anew, by when steps begin: they say where a step may be put. */
const RENUMBERED = 5000;
/** So many changes are tried before others may go on: about what one try of taking some jobs off takes. */
const AT_ONCE = 30;

/** A search by one change after another. */
export class RowSearch {
  private readonly tooDear: number;

  private readonly row: Row;
  private readonly chance: () => number;
  private readonly moves: RowMoves;
  private tried = 0;

  /** @param usual what a job costs on average beyond what it costs at least */
  constructor(row: Row, chance: () => number, usual: number) {
    this.row = row;
    this.chance = chance;
    this.tooDear = TOO_DEAR * usual;
    this.moves = new RowMoves(row, chance);
  }

  /**
   * Tries one change.
   * @param heat a plan’s cost: what is dearer by so much is still taken once in a while (1 in e); at 0 nothing dearer is
   * @returns whether there was one to look at
   */
  try(heat: number): boolean {
    const { row } = this;
    if (!this.moves.any()) return false;
    const most = -heat * Math.log(1 - this.chance());
    const more = row.standAgain(most, this.tooDear);
    if (more <= most) row.keep(more);
    else row.undo();
    if (++this.tried % RENUMBERED === 0 || row.order.isNarrow) row.renumber();
    return true;
  }
}

/**
 * The row that a plan is. What runs and what somebody put somewhere stays; so does what comes before that, where the rest would not be a plan
 * otherwise.
 */
export function rowOf(b: Board): Row {
  const stands = standingIn(b).map((s) => s !== null);
  const row = new Row(b, stands);
  return row.cost < Infinity ? row : new Row(b, fixedSteps(b));
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
  const row = rowOf(b);
  if (row.of.steps.length === 0) return;
  const search = new RowSearch(row, chance, usual);
  // What is not in the row costs the same whatever is done in it.
  const beside = costOf(boardWith(b.work, row.seats)) - row.cost;
  let best: Turns | null = null;
  try {
    for (let part = passed(found.effort); part < 1; part = passed(found.effort)) {
      const heat = usual * HOT * (COLD / HOT) ** part;
      for (let n = 0; n < AT_ONCE; n++) if (search.try(heat)) found.tries++;
      found.effort++;
      if (row.cost + beside < found.least - 1e-6) {
        found.least = row.cost + beside;
        best = { turn: row.order.turn.slice(), hand: row.order.hand.slice() };
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
