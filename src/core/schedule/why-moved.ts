import { mayBegin, type Board, type BoardStep, type Seat } from './board.ts';
import { endAfter, piecesBetween, workedBefore } from './calendar.ts';
import type { Before } from './shop-work.ts';

/** What keeps a step from standing where it stood in the plan before. People and jobs by their numbers, moments in minutes. */
export type MovedWhy =
  /** somebody put it elsewhere */
  | { readonly kind: 'put' }
  /** only others may do it now: who was chosen, or who began it */
  | { readonly kind: 'given' }
  /** its time came and nobody began it */
  | { readonly kind: 'not-begun' }
  | { readonly kind: 'waits'; readonly for: 'word' | 'part' | 'rest'; readonly until: number }
  /** what comes before it, or the rest after that, is not over by then */
  | { readonly kind: 'before'; readonly step: string; readonly until: number }
  | { readonly kind: 'away'; readonly worker: number }
  | { readonly kind: 'hands'; readonly worker: number; readonly by: readonly number[] }
  | { readonly kind: 'place'; readonly place: string; readonly by: readonly number[] }
  /** there is room for it earlier */
  | { readonly kind: 'sooner' }
  /** nothing: elsewhere it serves another job's date */
  | { readonly kind: 'better' };

/** The jobs whose steps are in the way of a step that stands between two moments. */
function inTheWay(
  b: Board,
  own: BoardStep,
  from: number,
  to: number,
  takes: (o: Seat) => number | null,
): number[] {
  const by = b.steps.flatMap((o) => {
    const s = b.seats[o.at];
    const until = s && takes(s);
    const meets = s && until !== null && until !== undefined && s.start < to && until > from;
    return meets && o.at !== own.at ? [b.work.jobs[o.job]?.number ?? 0] : [];
  });
  return [...new Set(by)];
}

/** Whether a step of the same job can only come after another one. */
const comesAfter = (b: Board, later: BoardStep, own: BoardStep): boolean =>
  later.after.some((i) => i === own.at || comesAfter(b, b.steps[i] as BoardStep, own));

/** What of its own job is not over at a moment, or begins before it would be free again: the last of it. */
function notOverBy(b: Board, own: BoardStep, at: number, free: number): MovedWhy | null {
  const late = (b.ofJob[own.job] ?? [])
    .flatMap((i) => {
      const [step, s] = [b.steps[i], b.seats[i]];
      if (!step || !s || i === own.at || s.free <= at) return [];
      const isInTheWay = own.after.includes(i) || (!comesAfter(b, step, own) && s.start < free);
      return isInTheWay ? [{ step: step.step.id, until: s.free }] : [];
    })
    .sort((x, y) => y.until - x.until)[0];
  return late ? { kind: 'before', ...late } : null;
}

/** When a step would have ended where it stood; null where those hands are not there for it. */
function endThere(b: Board, own: BoardStep, worker: number, start: number): number | null {
  const calendar = b.calendars[worker];
  if (!calendar) return null;
  const worked = workedBefore(calendar, start);
  const end = endAfter(calendar, worked + own.minutes);
  const pieces = piecesBetween(calendar, start, Math.min(end, start + own.minutes));
  const begins = pieces[0]?.from === start;
  const inOne = end === start + own.minutes;
  return begins && end < Infinity && (inOne || !own.whole) ? end : null;
}

/** Where a step stood: by whose index, and when it would end there; null where those hands are not there for it. */
interface Stood {
  readonly was: Before;
  readonly worker: number;
  readonly end: number | null;
}

/** What its old hands or its old place do at its old time. */
function takenThere(b: Board, own: BoardStep, { was, worker, end }: Stood, now: Seat): MovedWhy | null {
  if (end === null) return { kind: 'away', worker: was.worker };
  const hands = inTheWay(b, own, was.start, end, (s) => (s.worker === worker ? s.end : null));
  if (hands.length > 0) return { kind: 'hands', worker: was.worker, by: hands };
  const spot = b.work.spots.findIndex((s) => s.id === was.spot);
  const there = b.work.spots[spot];
  if (!there) return null;
  const hold = now.hold - now.end + end;
  const by = inTheWay(b, own, was.start, hold, (s) => (s.spot === spot ? s.hold : null));
  const out = there.out.filter((o) => o.from < hold && o.to > was.start);
  const resting = out.flatMap((o) => o.by ?? []).filter((n) => !by.includes(n));
  return by.length + out.length > 0 ? { kind: 'place', place: there.kind, by: [...resting, ...by] } : null;
}

/**
 * Why a step does not stand where it stood in the plan before.
 * @returns null where it was in no plan before, is in none now, or stands where it stood
 */
export function whyMoved(b: Board, own: BoardStep): MovedWhy | null {
  const [was, now] = [b.work.before[own.step.id], b.seats[own.at]];
  const hands = now && b.work.workers[now.worker]?.id;
  if (!was || !now || own.step.running || (hands === was.worker && now.start === was.start)) return null;
  if (own.step.pin !== null) return { kind: 'put' };
  if (own.step.only?.includes(was.worker) === false) return { kind: 'given' };
  const { waits } = own.step;
  if (waits && own.earliest > was.start) return { kind: 'waits', for: waits.for, until: own.earliest };
  if (was.start < 0 && mayBegin(b, own) <= 0) return { kind: 'not-begun' };
  const worker = b.work.workers.findIndex((w) => w.id === was.worker);
  const stood: Stood = { was, worker, end: worker < 0 ? null : endThere(b, own, worker, was.start) };
  const free = (stood.end ?? was.start + own.minutes) + own.step.wait;
  return (
    notOverBy(b, own, was.start, free) ??
    (was.start < 0 ? { kind: 'not-begun' } : takenThere(b, own, stood, now)) ?? {
      kind: now.start < was.start ? 'sooner' : 'better',
    }
  );
}
