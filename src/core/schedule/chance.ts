import { seeded } from '../seeded.ts';
import {
  beginAfter,
  calendarOf,
  endAfter,
  longestStretch,
  stretchEnd,
  workedBefore,
  type Calendar,
} from './calendar.ts';
import type { Board } from './board.ts';
import type { Doubt, Spot } from './shop-work.ts';

/** How sure a job's date is. Moments are minutes since the plan's beginning; Infinity where it is not done in the hours known. */
export interface JobChance {
  readonly job: number;
  /** the part of all draws in which it was ready when it is wanted; null where nobody said when */
  readonly inTime: number | null;
  readonly half: number;
  readonly likely: number;
  readonly sure: number;
}

/** Where a triangle's number lies by a number between 0 and 1: low and high are its ends, likely its top. */
export function drawn({ low, likely, high }: Doubt, u: number): number {
  if (high <= low) return likely;
  const top = Math.min(high, Math.max(low, likely));
  const left = (top - low) / (high - low);
  return u < left
    ? low + Math.sqrt(u * (high - low) * (top - low))
    : high - Math.sqrt((1 - u) * (high - low) * (high - top));
}

/** A stretch in which a place cannot be used: in minutes that anybody works, as the plan has it, and the moment it is over. */
interface Out {
  readonly from: number;
  readonly to: number;
  readonly over: number;
}

interface Turn {
  readonly at: number;
  readonly job: number;
  readonly worker: number;
  readonly spot: number;
  /** when its place cannot be used, in its order */
  readonly out: readonly Out[];
  readonly calendar: Calendar;
  readonly minutes: Doubt;
  readonly waits: Doubt | null;
  readonly pin: number;
  readonly wait: number;
  /** how long it may rest instead; null where it always rests as long */
  readonly rests: Doubt | null;
  readonly holds: boolean;
  /** it must lie in one stretch; one as long as this there is */
  readonly whole: number;
}

/** When a place cannot be used; what lies in a night or on a closed day is in nobody's way. */
function outOf(b: Board, s: Spot): Out[] {
  const { from, to } = calendarOf(s.out);
  return from
    .map((at, i) => ({
      from: workedBefore(b.anybody, at),
      to: workedBefore(b.anybody, to[i] ?? at),
      over: to[i] ?? at,
    }))
    .filter((o) => o.to > o.from);
}

/** The steps in the order in which the plan does them. */
function turnsOf(b: Board): Turn[] {
  const out = b.work.spots.map((s) => outOf(b, s));
  return b.steps
    .flatMap((own) => {
      const s = b.seats[own.at];
      const calendar = s && b.calendars[s.worker];
      if (!s || !calendar) return [];
      return [
        {
          at: s.start,
          job: own.job,
          worker: s.worker,
          spot: s.spot,
          // What runs is in its place already.
          out: own.step.running ? [] : (out[s.spot] ?? []),
          calendar,
          minutes: own.step.minutes,
          waits: own.step.waits?.until ?? null,
          pin: own.step.pin ?? 0,
          wait: own.step.wait,
          rests: own.step.rests ?? null,
          holds: own.step.holds,
          whole: own.step.cut ? 0 : longestStretch(calendar),
        },
      ];
    })
    .sort((x, y) => x.at - y.at || x.job - y.job);
}

/** The working minutes at which so much can begin: in one stretch where it must be and there is one so long. */
const beginsAt = (c: Calendar, worked: number, minutes: number, whole: number): number => {
  let from = worked;
  if (minutes > whole) return from;
  while (from < c.total && from + minutes > stretchEnd(c, from)) from = stretchEnd(c, from);
  return from;
};

/**
 * The working minutes at which a turn begins whose place cannot be used now and then: it waits where it would take it then.
 * @param anybody when anybody works
 */
function beginsClear(t: Turn, anybody: Calendar, first: number, minutes: number, rest: number): number {
  let from = first;
  for (let i = 0; ; i++) {
    const worked = beginsAt(t.calendar, from, minutes, t.whole);
    const hold = endAfter(t.calendar, worked + minutes) + (t.holds ? rest : 0);
    const begin = workedBefore(anybody, beginAfter(t.calendar, worked));
    while ((t.out[i]?.to ?? Infinity) <= begin) i++;
    const out = t.out[i];
    if (!out || out.from >= workedBefore(anybody, hold)) return worked;
    from = Math.max(worked, workedBefore(t.calendar, out.over));
  }
}

/** When each job is done, draw by draw: minutes, rests, answers and parts as they may come, everybody keeping the plan's order. */
export interface Draws {
  /** by job, in the order of the draws */
  readonly finishes: readonly Float64Array[];
}

/**
 * Plays a plan through many times.
 * @param draws how often
 * @param seed the same seed gives the same draws
 */
export function playThrough(b: Board, draws: number, seed: number): Draws {
  const turns = turnsOf(b);
  const finishes = b.ofJob.map(() => new Float64Array(draws));
  const hands = new Float64Array(b.work.workers.length);
  const places = new Float64Array(b.work.spots.length);
  const jobs = new Float64Array(b.ofJob.length);
  const whole = b.ofJob.map((own) => own.every((at) => b.seats[at]));
  for (let n = 0; n < draws; n++) {
    const next = seeded(seed + n * 7919);
    hands.fill(0);
    places.fill(0);
    jobs.fill(0);
    for (const t of turns) {
      const minutes = Math.max(1, drawn(t.minutes, next()));
      let ready = Math.max(jobs[t.job] ?? 0, t.pin);
      if (t.waits) ready = Math.max(ready, drawn(t.waits, next()));
      if (t.spot >= 0) ready = Math.max(ready, places[t.spot] ?? 0);
      const from = Math.max(hands[t.worker] ?? 0, workedBefore(t.calendar, ready));
      const wait = t.rests ? drawn(t.rests, next()) : t.wait;
      const worked =
        t.out.length === 0
          ? beginsAt(t.calendar, from, minutes, t.whole)
          : beginsClear(t, b.anybody, from, minutes, wait);
      const end = endAfter(t.calendar, worked + minutes);
      hands[t.worker] = worked + minutes;
      jobs[t.job] = end + wait;
      if (t.spot >= 0) places[t.spot] = t.holds ? end + wait : end;
    }
    finishes.forEach((f, job) => (f[n] = whole[job] ? (jobs[job] ?? 0) : Infinity));
  }
  return { finishes };
}

/** The number below which so large a part of sorted numbers lies; never one that was not drawn. */
export const quantile = (sorted: Float64Array, part: number): number =>
  sorted[Math.min(sorted.length - 1, Math.max(0, Math.ceil(part * sorted.length) - 1))] ?? Infinity;

/** How sure every job's date is, out of the draws. */
export const chancesOf = (b: Board, { finishes }: Draws): JobChance[] =>
  b.work.jobs.map((j, i) => {
    const all = finishes[i] ?? new Float64Array();
    const sorted = Float64Array.from(all).sort();
    const wanted = j.due ?? j.promised;
    return {
      job: j.id,
      inTime: wanted === null || all.length === 0 ? null : all.filter((f) => f <= wanted).length / all.length,
      half: quantile(sorted, 0.5),
      likely: quantile(sorted, 0.8),
      sure: quantile(sorted, 0.95),
    };
  });
