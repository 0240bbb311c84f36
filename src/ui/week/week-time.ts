import { minuteOf } from '../../core/days/opening.ts';
import { addDays, clockOn, isDay, wallClock, type Day } from '../../core/days/zone.ts';

/** One day of the board: from when to when it is shown (ms), and where it lies, as parts of the whole width. */
export interface DayColumn {
  readonly day: Day;
  readonly from: number;
  readonly to: number;
  readonly left: number;
  readonly width: number;
  /** nobody works on it */
  readonly closed: boolean;
}

/** How wide a day is on which nobody works, beside one on which somebody does. */
const CLOSED_PART = 0.18;
const HOUR_MS = 3_600_000;

type Hours = readonly (readonly [number, number])[];

/**
 * The days of a board: only the hours in which somebody works take room; nights take none.
 * @param hours everybody's stretches of work, ms
 */
export function dayColumns(first: Day, days: number, hours: readonly Hours[], zone: string): DayColumn[] {
  const found = Array.from({ length: days }, (_, i) => {
    const day = addDays(first, i);
    const begin = clockOn(day, 0, zone);
    const end = clockOn(addDays(day, 1), 0, zone);
    const own = hours.flatMap((h) => h.filter(([from, to]) => from < end && to > begin));
    const closed = own.length === 0;
    if (closed) return { day, from: clockOn(day, 9 * 60, zone), to: clockOn(day, 17 * 60, zone), closed };
    const opens = Math.min(...own.map(([from]) => Math.max(begin, from)));
    const closes = Math.max(...own.map(([, to]) => Math.min(end, to)));
    return { day, from: opens, to: closes, closed };
  });
  const parts = found.map((d) => (d.closed ? CLOSED_PART : 1));
  const sum = parts.reduce((all, p) => all + p, 0);
  let left = 0;
  return found.map((d, i) => {
    const width = (parts[i] ?? 0) / sum;
    const column = { ...d, left, width };
    left += width;
    return column;
  });
}

/** Where a moment lies on the board, 0 to 1; before it and after it at its edges. */
export function placeOf(columns: readonly DayColumn[], at: number): number {
  for (const c of columns) {
    if (at < c.from) return c.left;
    if (at <= c.to) return c.left + (c.width * (at - c.from)) / Math.max(1, c.to - c.from);
  }
  return 1;
}

const GRAIN_MS = 15 * 60_000;

/** The moment at a place of the board, in quarters of an hour. */
export function momentAt(columns: readonly DayColumn[], place: number): number {
  const c = columns.find((d) => place < d.left + d.width) ?? columns.at(-1);
  if (!c) return 0;
  const part = Math.min(1, Math.max(0, (place - c.left) / c.width));
  return Math.round((c.from + part * (c.to - c.from)) / GRAIN_MS) * GRAIN_MS;
}

/** The hours at which lines are drawn in a day, each with its place. */
export function hourLines(
  c: DayColumn,
  everyHours: number,
): { readonly at: number; readonly left: number }[] {
  if (c.closed) return [];
  const lines = [];
  for (let at = Math.ceil(c.from / HOUR_MS) * HOUR_MS; at < c.to; at += HOUR_MS)
    if ((at - c.from) / HOUR_MS >= 0.5 && Math.round(at / HOUR_MS) % everyHours === 0)
      lines.push({ at, left: c.left + (c.width * (at - c.from)) / (c.to - c.from) });
  return lines;
}

/** How much of the time between two moments is somebody's working time, ms; less than nothing where the second comes first. */
export function workedBetween(hours: Hours, a: number, b: number): number {
  const [from, to] = [Math.min(a, b), Math.max(a, b)];
  const worked = hours.reduce((sum, [x, y]) => sum + Math.max(0, Math.min(y, to) - Math.max(x, from)), 0);
  return a <= b ? worked : -worked;
}

/** A time of day as a clock shows it: `14:05`. */
export function clock(at: number, zone: string): string {
  const { hour, minute } = wallClock(at, zone);
  return `${hour}:${String(minute).padStart(2, '0')}`;
}

/** A moment of the shop's clock as two fields say it (ms), or what is wrong with which of them. */
export type TypedMoment =
  | { readonly at: number }
  | { readonly at: null; readonly day: string | undefined; readonly time: string | undefined };

/**
 * The moment that a field of a day and one of a time of day say together. While one of them is being typed there is none.
 * @param today the shop's day: none before it is taken
 * @example typedMoment('2026-12-04', '', '2026-12-02', 'UTC') → {"at":null,"time":"Which time?"}
 */
export function typedMoment(day: string, time: string, today: Day, zone: string): TypedMoment {
  const minute = minuteOf(time);
  const past = isDay(day) && day < today;
  if (minute !== null && isDay(day) && !past) return { at: clockOn(day, minute, zone) };
  return {
    at: null,
    day: past ? 'This day is over' : isDay(day) ? undefined : 'Which day?',
    time: minute === null ? 'Which time?' : undefined,
  };
}

/** What stands in a row of the board: a step with room enough to be held, or some of which one has too little. */
export type RowItem<S> =
  | { readonly kind: 'step'; readonly step: S }
  | { readonly kind: 'few'; readonly steps: readonly S[]; readonly left: number; readonly right: number };

interface Stretch<S> {
  readonly steps: readonly S[];
  readonly left: number;
  /** where it ends, drawn no narrower than a fingertip */
  readonly right: number;
}

/**
 * The steps of a row as they can be tapped: what is narrower than a fingertip goes a little to the left where there is room,
 * else together with what it would cover.
 * @param least the narrowest part of the board's width that can be tapped
 */
export function rowItems<S extends { readonly start: number; readonly end: number }>(
  steps: readonly S[],
  columns: readonly DayColumn[],
  least: number,
): RowItem<S>[] {
  const rows: Stretch<S>[] = [];
  for (const step of [...steps].sort((a, b) => a.start - b.start)) {
    const [from, to] = [placeOf(columns, step.start), placeOf(columns, step.end)];
    if (to <= 0 || from >= 1) continue;
    const last = rows.at(-1);
    const before = rows.at(-2)?.right ?? 0;
    const narrow = last !== undefined && last.right > from + 1e-6;
    if (last && narrow && from - least >= before && last.steps.length === 1)
      rows[rows.length - 1] = { ...last, left: from - least, right: from };
    else if (last && narrow) {
      rows[rows.length - 1] = {
        steps: [...last.steps, step],
        left: last.left,
        right: Math.max(last.left + least, to),
      };
      continue;
    }
    rows.push({ steps: [step], left: from, right: Math.max(from + least, to) });
  }
  return rows.map(({ steps: own, left, right }): RowItem<S> => {
    const [only] = own;
    const wide =
      own.length === 1 && only && placeOf(columns, only.end) - placeOf(columns, only.start) >= least;
    return wide ? { kind: 'step', step: only } : { kind: 'few', steps: own, left, right };
  });
}

/** Where each step of some that are tapped together begins and ends, as parts of the width that is tapped. */
export function stretchesIn<S extends { readonly start: number; readonly end: number }>(
  { steps, left, right }: Extract<RowItem<S>, { kind: 'few' }>,
  columns: readonly DayColumn[],
): readonly (readonly [left: number, right: number])[] {
  const part = (moment: number): number =>
    Math.min(1, Math.max(0, (placeOf(columns, moment) - left) / Math.max(1e-9, right - left)));
  return steps.map(({ start, end }) => [part(start), part(end)]);
}

/** When a rest ends, and why it rests: `rests until 10:05, after “Reglue the bridge”`. */
export const sayRested = (why: string, until: string): string =>
  `rests until ${until}${why === '' ? '' : `, ${why}`}`;
