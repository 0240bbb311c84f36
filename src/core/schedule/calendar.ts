/** A stretch of time, minutes since the plan's beginning; its end is not part of it. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** Working time one can count with: stretches in their order, and the working minutes that lie before each. */
export interface Calendar {
  readonly from: readonly number[];
  readonly to: readonly number[];
  readonly before: readonly number[];
  /** working minutes in all */
  readonly total: number;
}

/** Stretches of any order and overlap as a calendar; what lies before the beginning is cut off. */
export function calendarOf(stretches: readonly Stretch[]): Calendar {
  const sorted = [...stretches].sort((a, b) => a.from - b.from);
  const from: number[] = [];
  const to: number[] = [];
  for (const s of sorted) {
    const begin = Math.max(0, s.from);
    if (s.to <= begin) continue;
    const last = to.length - 1;
    const end = to[last] ?? -1;
    if (last >= 0 && begin <= end) to[last] = Math.max(end, s.to);
    else {
      from.push(begin);
      to.push(s.to);
    }
  }
  const before: number[] = [];
  let total = 0;
  for (let i = 0; i < from.length; i++) {
    before.push(total);
    total += (to[i] ?? 0) - (from[i] ?? 0);
  }
  return { from, to, before, total };
}

/** The last index whose value is at most `at`; -1 where none is. */
export function lastAtMost(sorted: readonly number[], at: number): number {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((sorted[middle] ?? 0) <= at) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/** How many working minutes lie before a moment. */
export function workedBefore(c: Calendar, at: number): number {
  const i = lastAtMost(c.from, at);
  if (i < 0) return 0;
  return (c.before[i] ?? 0) + Math.min(at, c.to[i] ?? 0) - (c.from[i] ?? 0);
}

/** The moment work goes on after so many working minutes: at a stretch's end it is the next one's beginning; beyond all, Infinity. */
export function beginAfter(c: Calendar, worked: number): number {
  if (worked >= c.total) return Infinity;
  const i = lastAtMost(c.before, worked);
  return (c.from[i] ?? 0) + worked - (c.before[i] ?? 0);
}

/** The moment so many working minutes are done: at a stretch's end it is that end; beyond all, Infinity. */
export function endAfter(c: Calendar, worked: number): number {
  if (worked > c.total) return Infinity;
  let i = lastAtMost(c.before, worked);
  if (i > 0 && c.before[i] === worked) i--;
  return (c.from[i] ?? 0) + worked - (c.before[i] ?? 0);
}

/** The working minutes at which the stretch ends that the given minute of work lies in. */
export function stretchEnd(c: Calendar, worked: number): number {
  const i = lastAtMost(c.before, worked);
  return (c.before[i] ?? 0) + (c.to[i] ?? 0) - (c.from[i] ?? 0);
}

/** The longest stretch, minutes. */
export const longestStretch = (c: Calendar): number =>
  c.from.reduce((most, from, i) => Math.max(most, (c.to[i] ?? 0) - from), 0);

/** The stretches of work between two moments. */
export function piecesBetween(c: Calendar, from: number, to: number): Stretch[] {
  const pieces: Stretch[] = [];
  for (let i = Math.max(0, lastAtMost(c.from, from)); i < c.from.length; i++) {
    const begin = Math.max(from, c.from[i] ?? 0);
    if (begin >= to) break;
    const end = Math.min(to, c.to[i] ?? 0);
    if (end > begin) pieces.push({ from: begin, to: end });
  }
  return pieces;
}
