import { lastAtMost } from './calendar.ts';

/** What is free of a line of time: gaps in their order, none touching the next. */
export interface Gaps {
  readonly from: number[];
  readonly to: number[];
}

export const oneGap = (to: number): Gaps => ({ from: [0], to: [to] });
export const copyGaps = (g: Gaps): Gaps => ({ from: [...g.from], to: [...g.to] });

/** The gap a moment lies in, or the first one after it; its index, the number of gaps where there is none. */
export function gapAt(g: Gaps, at: number): number {
  const i = lastAtMost(g.from, at);
  return i >= 0 && (g.to[i] ?? 0) > at ? i : i + 1;
}

/** Whether a stretch is free. */
export function isFree(g: Gaps, from: number, to: number): boolean {
  const i = lastAtMost(g.from, from);
  return i >= 0 && (g.to[i] ?? 0) >= to;
}

/** Takes a stretch that is free. */
export function take(g: Gaps, from: number, to: number): void {
  if (to <= from) return;
  const i = lastAtMost(g.from, from);
  const [a, b] = [g.from[i] ?? 0, g.to[i] ?? 0];
  if (a < from && to < b) {
    g.to[i] = from;
    g.from.splice(i + 1, 0, to);
    g.to.splice(i + 1, 0, b);
  } else if (a < from) g.to[i] = from;
  else if (to < b) g.from[i] = to;
  else {
    g.from.splice(i, 1);
    g.to.splice(i, 1);
  }
}

/** Gives a stretch back that was taken. */
export function give(g: Gaps, from: number, to: number): void {
  if (to <= from) return;
  const i = lastAtMost(g.from, from);
  const joinsLeft = i >= 0 && g.to[i] === from;
  const joinsRight = g.from[i + 1] === to;
  if (joinsLeft && joinsRight) {
    g.to[i] = g.to[i + 1] ?? to;
    g.from.splice(i + 1, 1);
    g.to.splice(i + 1, 1);
  } else if (joinsLeft) g.to[i] = to;
  else if (joinsRight) g.from[i + 1] = from;
  else {
    g.from.splice(i + 1, 0, from);
    g.to.splice(i + 1, 0, to);
  }
}

/** The first moment from one on at which so much is free in one piece; Infinity where there is none. */
export function firstFit(g: Gaps, at: number, length: number): number {
  for (let i = gapAt(g, at); i < g.from.length; i++) {
    const begin = Math.max(at, g.from[i] ?? 0);
    if ((g.to[i] ?? 0) - begin >= length) return begin;
  }
  return Infinity;
}
