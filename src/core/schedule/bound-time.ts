/** The shop's time in cells, and what a minute of everybody and of each kind of place costs in it. */
import { jobAlone } from './alone.ts';
import { GRAIN, type Board } from './board.ts';
import { endAfter, piecesBetween, stretchEnd, workedBefore, type Calendar } from './calendar.ts';
import { isOnGrain } from './on-grain.ts';
import { placeQueuesOf } from './scarce.ts';
import { askedOf } from './skill-price.ts';

/** So much longer than the hands need at least is looked at. */
const ROOM = 1.1;
/** Where nobody works for so long it is another day, minutes. */
const NIGHT = 180;

/** Somebody's time or that of a kind of place, on an axis of its own minutes. */
export interface Line {
  /** on the axis: where each cell begins */
  readonly at: Float64Array;
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
  /** how many cells have a price: all but the last */
  readonly prices: number;
  /** whether steps need begin nowhere but where cells do */
  readonly isExact: boolean;
  /** the first cell of each day of work */
  readonly days: readonly number[];
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

/** A step begins in a cell: as long as plans are fine, longer where the work goes on for long. */
function cellsUntil(
  b: Board,
  horizon: number,
  most: number,
): { from: number[]; to: number[]; length: number } {
  const length = Math.max(1, Math.ceil(workedBefore(b.anybody, horizon) / most / GRAIN)) * GRAIN;
  const from: number[] = [];
  const to: number[] = [];
  for (const stretch of piecesBetween(b.anybody, 0, horizon))
    for (let at = stretch.from; at < stretch.to; at += length) {
      from.push(at);
      to.push(Math.min(stretch.to, at + length));
    }
  return { from, to, length };
}

/**
 * The shop's time until all that is asked of its hands can have been done.
 * @param jobs what is planned of it
 * @param most how many cells there are at most
 */
export function boundTime(b: Board, jobs: readonly number[], most: number): BoundTime {
  const levels = 1 + Math.max(0, ...b.work.workers.map((w) => w.skill));
  const latest = Math.max(...jobs.map((job) => jobAlone(b, job).finish));
  const done = Array.from({ length: levels }, (_, level) => doneBy(b, level));
  const placed = placeQueuesOf(b).map(({ all }) => all);
  const { from, to, length } = cellsUntil(b, Math.ceil(Math.max(latest, ...done, ...placed) * ROOM), most);
  const many = from.length;
  const end = to.at(-1) ?? 0;
  from.push(end);
  const cellAfter = new Int32Array(Math.ceil(end) + 1);
  for (let cell = 0, minute = 0; minute < cellAfter.length; minute++) {
    while (cell < many && (to[cell] ?? 0) <= minute) cell++;
    cellAfter[minute] = cell;
  }
  const lineOf = (count: number, calendar: Calendar | null): Line => ({
    at: Float64Array.from(from, (moment) => (calendar ? workedBefore(calendar, moment) : moment)),
    calendar,
    many: count,
  });
  const kinds = [...new Set(b.work.spots.map((s) => s.kind))];
  return {
    from,
    cellAfter,
    prices: many,
    isExact: length === GRAIN && isOnGrain(b),
    days: from.flatMap((moment, cell) =>
      cell === 0 || (cell < many && moment - (to[cell - 1] ?? 0) >= NIGHT) ? [cell] : [],
    ),
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

/** What all minutes of an axis before each cell cost. */
function costBefore({ at }: Line, price: Float64Array): Float64Array {
  const before = new Float64Array(at.length);
  for (let cell = 0; cell + 1 < at.length; cell++)
    before[cell + 1] =
      (before[cell] as number) + (price[cell] as number) * ((at[cell + 1] as number) - (at[cell] as number));
  return before;
}

/**
 * The least that so many minutes on end cost that begin in each cell: whatever minute of it they begin in, where they need not begin with
 * it.
 * @param price of a minute, by cell
 */
export function leastCosts(t: BoundTime, line: Line, minutes: number, price: Float64Array): Float64Array {
  const { at } = line;
  const cells = t.prices;
  const before = costBefore(line, price);
  const least = new Float64Array(cells + 1);
  const upTo = (cell: number, where: number): number =>
    (before[cell] as number) + (cell < cells ? (price[cell] as number) * (where - (at[cell] as number)) : 0);
  const cellAt = (cell: number, where: number): number => {
    let found = cell;
    while (found < cells && (at[found + 1] as number) <= where) found++;
    return found;
  };
  let ends = cellAt(0, (at[0] ?? 0) + minutes);
  let first = upTo(ends, (at[0] ?? 0) + minutes);
  for (let cell = 0; cell < cells; cell++) {
    const next = at[cell + 1] as number;
    const nextEnds = cellAt(ends, next + minutes);
    const beyond = upTo(nextEnds, next + minutes);
    let cost = first - (before[cell] as number);
    if (!t.isExact) {
      cost = Math.min(cost, beyond - (before[cell + 1] as number));
      // Where the price changes under its end, the least may lie in between.
      for (let p = ends + 1; p <= nextEnds && p <= cells; p++)
        cost = Math.min(cost, (before[p] as number) - upTo(cell, (at[p] as number) - minutes));
    }
    least[cell] = cost;
    [ends, first] = [nextEnds, beyond];
  }
  return least;
}

/** Adds what so many minutes from the beginning of a cell on take of each cell. */
export function addTaken({ at }: Line, cell: number, minutes: number, taken: Float64Array): void {
  const from = at[cell] as number;
  const to = from + minutes;
  for (let p = cell; p + 1 < at.length && (at[p] as number) < to; p++)
    taken[p] = (taken[p] as number) + Math.min(to, at[p + 1] as number) - Math.max(from, at[p] as number);
}
