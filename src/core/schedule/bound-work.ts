/** What each job asks for at least of hands and places, and when, however the rest of the shop is planned. */
import { jobAlone } from './alone.ts';
import type { Board, BoardStep } from './board.ts';
import { beginAfter, lastAtMost, piecesBetween, workedBefore, type Calendar } from './calendar.ts';

/** Time is looked at in pieces of work of so many minutes, more where the work goes on for long; the last has no end. */
const LEAST_PIECE = 60;
const MOST_PIECES = 420;
/** So much longer than the hands need at least is looked at. */
const ROOM = 1.05;

/** The shop's time in pieces, and what there is of hands and places in each. Moments are minutes since the plan's beginning. */
export interface Pieces {
  /** one line of prices a level of skill, then each kind of place */
  readonly levels: number;
  readonly kinds: readonly string[];
  /** when each begins: somebody works then. The first begins with the plan */
  readonly from: readonly number[];
  /** when the last work in it ends */
  readonly to: readonly number[];
  /** minutes there are, by line and piece; the last piece has whatever is asked */
  readonly has: readonly (readonly number[])[];
}

/** Something a step takes of what the shop has little of: minutes of a line. */
export interface Use {
  readonly line: number;
  readonly minutes: number;
  /** the first piece it can fall into */
  readonly first: number;
  /** the last, by the piece in which the job's last hands are done, from the first in which they can be */
  readonly last: readonly number[];
}

/** A job with nothing else in the shop. */
export interface Alone {
  readonly job: number;
  /** the soonest it is ready, minutes since the plan's beginning, by the same pieces */
  readonly finish: readonly number[];
  readonly hands: readonly Use[];
  readonly places: readonly Use[];
  /** the skill of whoever does all of it alone; null: nobody can */
  readonly oneHand: number | null;
}

/** The piece a moment falls into. */
const pieceAt = (p: Pieces, at: number): number => Math.max(0, lastAtMost(p.from, at));

/** The least skill of those who may do a step. */
const levelOf = (b: Board, s: BoardStep): number =>
  Math.min(...s.who.map((i) => b.work.workers[i]?.skill ?? 0));

/** When the hands of a level of skill can have done what is asked of them, to the hour. */
function doneBy(b: Board, level: number): number {
  const asked = b.steps.reduce(
    (sum, s) => sum + (s.who.length > 0 && levelOf(b, s) >= level ? s.minutes : 0),
    0,
  );
  const able = b.calendars.filter((_, i) => (b.work.workers[i]?.skill ?? 0) >= level);
  let [low, high] = [0, Math.max(0, ...b.anybody.to)];
  while (high - low > 60) {
    const middle = (low + high) / 2;
    if (able.reduce((sum, c) => sum + workedBefore(c, middle), 0) < asked) low = middle;
    else high = middle;
  }
  return high;
}

/**
 * The shop's time in pieces until all that is asked of its hands can have been done.
 * @param latest when the last job is ready with nothing else in the shop, minutes since the plan's beginning
 */
export function piecesOf(b: Board, latest: number): Pieces {
  const { work } = b;
  const levels = 1 + Math.max(0, ...work.workers.map((w) => w.skill));
  const kinds = [...new Set(work.spots.map((s) => s.kind))];
  const horizon = Math.max(latest, ...Array.from({ length: levels }, (_, level) => doneBy(b, level))) * ROOM;
  const piece = Math.max(LEAST_PIECE, workedBefore(b.anybody, horizon) / MOST_PIECES);
  const from: number[] = [];
  const to: number[] = [];
  for (const stretch of piecesBetween(b.anybody, 0, horizon)) {
    const many = Math.max(1, Math.round((stretch.to - stretch.from) / piece));
    for (let i = 0; i < many; i++) {
      from.push(stretch.from + ((stretch.to - stretch.from) * i) / many);
      to.push(stretch.from + ((stretch.to - stretch.from) * (i + 1)) / many);
    }
  }
  const end = to.at(-1) ?? 0;
  from.push(end);
  to.push(Infinity);
  const within = (c: Calendar, i: number): number =>
    workedBefore(c, to[i] ?? 0) - workedBefore(c, from[i] ?? 0);
  const each = (of: (piece: number) => number): number[] =>
    from.map((_, i) => (i === from.length - 1 ? Infinity : of(i)));
  return {
    levels,
    kinds,
    from,
    to,
    has: [
      ...Array.from({ length: levels }, (_, level) =>
        each((i) =>
          b.calendars.reduce(
            (sum, c, w) => sum + ((work.workers[w]?.skill ?? 0) >= level ? within(c, i) : 0),
            0,
          ),
        ),
      ),
      // A place is there at night, too: what rests in it.
      ...kinds.map((kind) =>
        each((i) => ((from[i + 1] ?? 0) - (from[i] ?? 0)) * work.spots.filter((s) => s.kind === kind).length),
      ),
    ],
  };
}

/** The latest each step's hands can be done where the job's last are done by a moment. */
function latestOfAll(
  b: Board,
  own: readonly number[],
  next: ReadonlyMap<number, readonly number[]>,
  end: number,
): ReadonlyMap<number, number> {
  const latest = new Map<number, number>();
  for (const at of [...own].reverse()) {
    const after = next.get(at) ?? [];
    const begins = after.map((n) => {
      const worked = workedBefore(b.anybody, latest.get(n) ?? end) - (b.steps[n]?.minutes ?? 0);
      return worked < 0 ? -1 : beginAfter(b.anybody, worked);
    });
    latest.set(at, Math.min(end, ...begins.map((start) => start - (b.steps[at]?.step.wait ?? 0))));
  }
  return latest;
}

/** Whether one pair of hands can do all of a job, and what skill they have at least. */
function oneHandOf(b: Board, job: number): number | null {
  const own = b.ofJob[job] ?? [];
  const holder = b.work.workers.findIndex((w) => w.id === b.work.jobs[job]?.holder);
  const able = b.work.workers.flatMap((w, i) =>
    (holder < 0 || i === holder) && own.every((at) => b.steps[at]?.who.includes(i)) ? [w.skill] : [],
  );
  return able.length === 0 ? null : Math.min(...able);
}

/** What a job asks for, by the piece in which its last hands are done. */
export function aloneIn(empty: Board, job: number, p: Pieces): Alone {
  const own = empty.ofJob[job] ?? [];
  const { start, finish } = jobAlone(empty, job);
  const next = new Map(own.map((at) => [at, own.filter((i) => empty.steps[i]?.after.includes(at))]));
  const rests = Math.min(
    ...own.filter((at) => next.get(at)?.length === 0).map((at) => empty.steps[at]?.step.wait ?? 0),
  );
  const done = own.map((at) => (start.get(at) ?? 0) + (empty.steps[at]?.minutes ?? 0));
  const begin = pieceAt(p, Math.max(...done) - 1e-6);
  const ends = p.from.map((_, i) => i).slice(begin);
  const latest = ends.map((end) => latestOfAll(empty, own, next, p.to[end] ?? 0));
  const final = p.from.length - 1;
  const use = (at: number, line: number, minutes: number, rest: number): Use => ({
    line,
    minutes,
    first: pieceAt(p, start.get(at) ?? 0),
    last: latest.map((of, i) =>
      begin + i === final ? final : pieceAt(p, Math.max(0, (of.get(at) ?? 0) + rest - 1e-6)),
    ),
  });
  return {
    job,
    finish: ends.map((end) => Math.max(finish, (p.from[end] ?? 0) + rests)),
    hands: own.map((at) => {
      const s = empty.steps[at] as BoardStep;
      return use(at, levelOf(empty, s), s.minutes, 0);
    }),
    places: own.flatMap((at) => {
      const s = empty.steps[at] as BoardStep;
      if (s.where === null) return [];
      const rest = s.step.holds ? s.step.wait : 0;
      return [use(at, p.levels + p.kinds.indexOf(s.step.place ?? ''), s.minutes + rest, rest)];
    }),
    oneHand: oneHandOf(empty, job),
  };
}
