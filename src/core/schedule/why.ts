import { copyBoard, earliestSeat, mayBegin, unseat, type Board, type BoardStep, type Seat } from './board.ts';
import { SAME_MINUTES } from './cost.ts';

/** What keeps a job: how long it does, in minutes of the clock, and until when. */
export type Keeps = { readonly minutes: number; readonly until: number; readonly step: string } & (
  | { readonly kind: 'word' | 'part' | 'resting' }
  /** the customer is asked when a step of it is done, and it goes on when they have answered */
  | { readonly kind: 'to-ask' }
  /** it rests after a step of its own */
  | { readonly kind: 'rest'; readonly after: string }
  /** a place is taken by other jobs */
  | { readonly kind: 'place'; readonly place: string; readonly by: readonly number[] }
  /** those who may do it are busy with other jobs */
  | { readonly kind: 'hands'; readonly who: readonly number[]; readonly by: readonly number[] }
  /** nobody who may do it is here: nights, closed days, days off */
  | { readonly kind: 'hours' }
  /** nothing: it could begin from a moment on, and the plan has it later */
  | { readonly kind: 'stands'; readonly from: number }
  /** somebody put it there */
  | { readonly kind: 'pin' }
  /** it is worked on */
  | { readonly kind: 'work' }
);

const others = (b: Board, own: BoardStep, from: number, to: number, of: (s: Seat) => boolean): number[] => [
  ...new Set(
    b.steps.flatMap((o) => {
      const s = b.seats[o.at];
      return s && o.job !== own.job && of(s) && s.start < to && s.hold > from
        ? [b.work.jobs[o.job]?.number ?? 0]
        : [];
    }),
  ),
];

/** What rests in some places between two moments, by its job's number. */
const restingIn = (b: Board, spots: readonly number[], from: number, to: number): number[] =>
  spots.flatMap((i) =>
    (b.work.spots[i]?.out ?? []).flatMap((o) =>
      o.by !== undefined && o.from < to && o.to > from ? [o.by] : [],
    ),
  );

/** From when on a step has hands, and from when on hands and a place, if all others stay where they are. Moments. */
function soonest(b: Board, own: BoardStep, ready: number): { readonly hands: number; readonly both: number } {
  const without = copyBoard(b);
  unseat(without, own.at);
  const among = (spots: readonly number[]): number =>
    Math.min(
      ...own.who.flatMap((w) =>
        spots.map((spot) => earliestSeat(without, own, ready, w, spot)?.start ?? Infinity),
      ),
    );
  const hands = among([-1]);
  return { hands, both: own.where ? among(own.where) : hands };
}

/** What a step waits for between the moment it might begin and the moment it does: hands, a place for them, nothing. */
function between(b: Board, own: BoardStep, s: Seat, ready: number): Keeps[] {
  const { hands, both } = soonest(b, own, ready);
  const common = { step: own.step.title };
  const kept: Keeps[] = [];
  const waitsForHands = (from: number, until: number): Keeps => {
    const by = others(b, own, from, until, (o) => own.who.includes(o.worker));
    const piece = { ...common, minutes: until - from, until };
    const who = own.who.map((i) => b.work.workers[i]?.id ?? 0);
    return by.length > 0 ? { ...piece, kind: 'hands', who, by } : { ...piece, kind: 'hours' };
  };
  const forHands = Math.min(hands, s.start);
  if (forHands > ready) kept.push(waitsForHands(ready, forHands));
  const forPlace = Math.min(both, s.start);
  if (forPlace > forHands) {
    const spots = own.where ?? [];
    const by = [
      ...restingIn(b, spots, forHands, forPlace),
      ...others(b, own, forHands, forPlace, (o) => spots.includes(o.spot)),
    ].filter((n, i, all) => all.indexOf(n) === i);
    const place = b.work.spots[spots[0] ?? 0]?.kind ?? '';
    // Where nobody has such a place and it can be used, the hands that were free are not, once it would do.
    kept.push(
      by.length > 0 || spots.every((i) => (b.work.spots[i]?.out.length ?? 0) > 0)
        ? { ...common, kind: 'place', place, by, minutes: forPlace - forHands, until: forPlace }
        : waitsForHands(forHands, forPlace),
    );
  }
  if (s.start - forPlace > SAME_MINUTES)
    kept.push({ ...common, kind: 'stands', from: forPlace, minutes: s.start - forPlace, until: s.start });
  return kept;
}

/** Everything that keeps a job until it is done, in the order of time; what is worked on is one of them. */
export function whatKeeps(b: Board, job: number): Keeps[] {
  const own = (b.ofJob[job] ?? [])
    .flatMap((at) => {
      const [step, s] = [b.steps[at], b.seats[at]];
      return step && s ? [{ step, s }] : [];
    })
    .sort((x, y) => x.s.start - y.s.start);
  const kept: Keeps[] = [];
  let at = 0;
  for (const { step, s } of own) {
    const { waits, pin, title } = step.step;
    if (waits && step.earliest > at) {
      const kind = waits.for === 'rest' ? 'resting' : waits.for;
      kept.push({ kind, minutes: step.earliest - at, until: step.earliest, step: title });
    } else if (pin !== null && pin > at)
      kept.push({ kind: 'pin', minutes: pin - at, until: pin, step: title });
    const ready = Math.max(at, mayBegin(b, step));
    if (s.start > ready) kept.push(...between(b, step, s, ready));
    kept.push({ kind: 'work', minutes: s.end - s.start, until: s.end, step: title });
    if (s.free > s.end && step.step.asks)
      kept.push({ kind: 'to-ask', minutes: s.free - s.end, until: s.free, step: title });
    else if (s.free > s.end)
      kept.push({ kind: 'rest', minutes: s.free - s.end, until: s.free, step: title, after: title });
    at = Math.max(at, s.free);
  }
  return kept;
}

/** The most that keeps a job, the longest first; work itself and short breaks are no reasons. */
export const mainReasons = (b: Board, job: number, most = 2): Keeps[] =>
  whatKeeps(b, job)
    .filter((k) => k.kind !== 'work' && k.minutes >= 120 && (k.kind !== 'hours' || k.minutes >= 36 * 60))
    .sort((x, y) => y.minutes - x.minutes)
    .slice(0, most);
