/** The shop's time in cells, and what a minute of everybody and of each kind of place costs in it. */
import { jobAlone } from './alone.ts';
import type { Board } from './board.ts';
import { endAfter, piecesBetween, stretchEnd, workedBefore, type Calendar } from './calendar.ts';
import { askedOf } from './skill-price.ts';

/** A step begins in a cell: so many minutes, more where the work goes on for long. The last has no end. */
const LEAST_CELL = 10;
export const MOST_CELLS = 1000;
/** So many cells have one price. */
export const CELLS_OF_A_PRICE = 6;
/** So much longer than the hands need at least is looked at. */
const ROOM = 1.1;

/** Somebody's time or that of a kind of place, on an axis of its own minutes. */
export interface Line {
  /** on the axis: where each cell begins */
  readonly at: Float64Array;
  /** on the axis: where each stretch of one price begins, and where the last one ends */
  readonly edge: Float64Array;
  /** whose hours; null: a place, which is there day and night */
  readonly calendar: Calendar | null;
  /** how many there are of it */
  readonly many: number;
}

/** Moments are minutes since the plan's beginning. */
export interface BoundTime {
  /** when each cell begins; the last has no end */
  readonly from: readonly number[];
  /** the first cell that ends after a minute, for each */
  readonly cellAfter: Int32Array;
  /** the price each cell falls under; the last has none */
  readonly priceOf: Int32Array;
  readonly prices: number;
  /** one a worker, then one a kind of place */
  readonly lines: readonly Line[];
  readonly kinds: readonly string[];
}

/** When the hands of a level of skill can have done what is asked of them, to the hour. */
function doneBy(b: Board, level: number): number {
  const asked = b.ofJob.reduce((sum, _, job) => sum + askedOf(b, job, level), 0);
  const able = b.calendars.filter((_, i) => (b.work.workers[i]?.skill ?? 0) >= level);
  let [low, high] = [0, Math.max(0, ...b.anybody.to)];
  while (high - low > 60) {
    const middle = (low + high) / 2;
    if (able.reduce((sum, c) => sum + workedBefore(c, middle), 0) < asked) low = middle;
    else high = middle;
  }
  return high;
}

function cellsUntil(b: Board, horizon: number, most: number): { from: number[]; to: number[] } {
  const length = Math.max(LEAST_CELL, Math.ceil(workedBefore(b.anybody, horizon) / most / 5) * 5);
  const from: number[] = [];
  const to: number[] = [];
  for (const stretch of piecesBetween(b.anybody, 0, horizon))
    for (let at = stretch.from; at < stretch.to; at += length) {
      from.push(at);
      to.push(Math.min(stretch.to, at + length));
    }
  return { from, to };
}

/**
 * The shop's time until all that is asked of its hands can have been done.
 * @param jobs what is planned of it
 * @param most how many cells there are at most
 */
export function boundTime(b: Board, jobs: readonly number[], most = MOST_CELLS): BoundTime {
  const levels = 1 + Math.max(0, ...b.work.workers.map((w) => w.skill));
  const latest = Math.max(...jobs.map((job) => jobAlone(b, job).finish));
  const done = Array.from({ length: levels }, (_, level) => doneBy(b, level));
  const { from, to } = cellsUntil(b, Math.ceil(Math.max(latest, ...done) * ROOM), most);
  const many = from.length;
  const end = to.at(-1) ?? 0;
  from.push(end);
  const prices = Math.ceil(many / CELLS_OF_A_PRICE);
  const cellAfter = new Int32Array(Math.ceil(end) + 1);
  for (let cell = 0, minute = 0; minute < cellAfter.length; minute++) {
    while (cell < many && (to[cell] ?? 0) <= minute) cell++;
    cellAfter[minute] = cell;
  }
  const lineOf = (count: number, calendar: Calendar | null): Line => {
    const at = Float64Array.from(from, (moment) => (calendar ? workedBefore(calendar, moment) : moment));
    const edge = Float64Array.from(
      { length: prices + 1 },
      (_, p) => at[Math.min(many, p * CELLS_OF_A_PRICE)] ?? 0,
    );
    return { at, edge, calendar, many: count };
  };
  const kinds = [...new Set(b.work.spots.map((s) => s.kind))];
  return {
    from,
    cellAfter,
    priceOf: Int32Array.from(from, (_, cell) => Math.floor(cell / CELLS_OF_A_PRICE)),
    prices,
    kinds,
    lines: [
      ...b.calendars.map((c) => lineOf(1, c)),
      ...kinds.map((kind) => lineOf(b.work.spots.filter((s) => s.kind === kind).length, null)),
    ],
  };
}

/** The first cell that ends after a moment: in it or later one can begin then. */
export const cellFrom = (t: BoundTime, moment: number): number =>
  moment >= t.cellAfter.length ? t.from.length - 1 : (t.cellAfter[Math.floor(moment)] ?? 0);

/**
 * The soonest so many minutes of somebody's work are done that begin in each cell; −1 where they cannot begin in it.
 * @param whole whether they must lie in one stretch of the calendar
 */
export function endsFrom(
  t: BoundTime,
  { at, calendar }: Line,
  minutes: number,
  whole: boolean,
): Float64Array {
  const last = t.from.length - 1;
  const end = t.from[last] ?? 0;
  return Float64Array.from(t.from, (moment, cell) => {
    if (cell === last) return end + minutes;
    const [begin, next] = [at[cell] ?? 0, at[cell + 1] ?? 0];
    if (next <= begin) return -1;
    if (!calendar) return moment + minutes;
    if (whole) {
      const stretch = stretchEnd(calendar, begin);
      if (stretch >= next && begin + minutes > stretch) return -1;
    }
    return Math.min(end + minutes, endAfter(calendar, begin + minutes));
  });
}

/** What all minutes of an axis before each change of the price cost. */
function costBefore(line: Line, price: Float64Array): Float64Array {
  const before = new Float64Array(line.edge.length);
  for (let p = 0; p + 1 < before.length; p++)
    before[p + 1] = (before[p] ?? 0) + (price[p] ?? 0) * ((line.edge[p + 1] ?? 0) - (line.edge[p] ?? 0));
  return before;
}

/**
 * The least that so many minutes on end cost that begin in each cell: whatever minute of it they begin in.
 * @param price of a minute, by the stretches of one price
 */
export function leastCosts(t: BoundTime, line: Line, minutes: number, price: Float64Array): Float64Array {
  const { at, edge } = line;
  const cells = t.from.length - 1;
  const before = costBefore(line, price);
  const least = new Float64Array(cells + 1);
  const upTo = (p: number, where: number): number =>
    p >= t.prices ? (before[t.prices] ?? 0) : (before[p] ?? 0) + (price[p] ?? 0) * (where - (edge[p] ?? 0));
  const pieceFrom = (p: number, where: number): number => {
    let piece = p;
    while (piece < t.prices && (edge[piece + 1] ?? 0) <= where) piece++;
    return piece;
  };
  let ends = pieceFrom(0, (at[0] ?? 0) + minutes);
  let first = upTo(ends, (at[0] ?? 0) + minutes);
  for (let cell = 0; cell < cells; cell++) {
    const [begin, next] = [at[cell] ?? 0, at[cell + 1] ?? 0];
    const starts = t.priceOf[cell] ?? 0;
    const nextEnds = pieceFrom(ends, next + minutes);
    const beyond = upTo(nextEnds, next + minutes);
    const now = first - upTo(starts, begin);
    let cost = Math.min(now, beyond - upTo(starts, next));
    // Where the price changes under its end, the least may lie in between.
    for (let p = ends + 1; p <= nextEnds && p <= t.prices; p++)
      cost = Math.min(cost, (before[p] ?? 0) - upTo(starts, (edge[p] ?? 0) - minutes));
    least[cell] = cost;
    [ends, first] = [nextEnds, beyond];
  }
  return least;
}

/** Adds what so many minutes from a moment of the axis on take of each stretch of one price. */
export function addTaken(
  line: Line,
  from: number,
  minutes: number,
  first: number,
  taken: Float64Array,
): void {
  const to = from + minutes;
  for (let p = first; p + 1 < line.edge.length && (line.edge[p] ?? 0) < to; p++)
    taken[p] =
      (taken[p] ?? 0) + Math.max(0, Math.min(to, line.edge[p + 1] ?? 0) - Math.max(from, line.edge[p] ?? 0));
}
