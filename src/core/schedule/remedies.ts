import { toEnd } from '../to-end.ts';
import { newBoard, type Board } from './board.ts';
import { calendarOf, type Stretch } from './calendar.ts';
import { chancesOf, playThrough, type JobChance } from './chance.ts';
import { improving } from './improve.ts';
import { replan } from './place.ts';
import { pullUp } from './pull-up.ts';
import type { Doubt, ShopWork, Step } from './shop-work.ts';

/** What might save a promise. */
export type Remedy =
  /** it goes before what others wait for */
  | { readonly kind: 'first' }
  /** a step is given to somebody else */
  | { readonly kind: 'hands'; readonly step: string; readonly worker: number }
  /** the customer is called, and answers today whatever they are asked about a job (its id); then it goes before what others wait for, or not */
  | { readonly kind: 'call'; readonly job: number; readonly first?: true }
  /** the customer is called as soon as a step is done, and answers within hours */
  | { readonly kind: 'ask'; readonly step: string; readonly first?: true }
  /** somebody stays longer on a day: moments */
  | { readonly kind: 'longer'; readonly worker: number; readonly from: number; readonly to: number };

type Called = Extract<Remedy, { readonly first?: true }>;

/** A remedy as it came out when the planner tried it. */
export interface Tried {
  readonly remedy: Remedy;
  readonly was: number;
  readonly is: number;
  /** others that are late by it or less likely in time: their numbers with before and after */
  readonly others: readonly { readonly job: number; readonly was: number; readonly is: number }[];
  /** where every step stands then */
  readonly board: Board;
}

/** So often each way is played through to see which are worth telling. */
const ROUGHLY = 300;
/** So often each way is made better before it is judged. */
const TRIES = 60;
const WORTH_SAYING = 0.1;
/** When somebody who was called has answered, minutes from now. */
const ANSWERED: Doubt = { low: 30, likely: 180, high: 360 };
const LONGER = 120;
const DAYS_OF_OVERTIME = 3;

/** The work with some of its steps otherwise. */
const withSteps = (
  work: ShopWork,
  which: (s: Step, job: number) => boolean,
  change: () => Partial<Step>,
): ShopWork => ({
  ...work,
  jobs: work.jobs.map((j) => ({
    ...j,
    steps: j.steps.map((s) => (which(s, j.id) ? { ...s, ...change() } : s)),
  })),
});

/** The plan as it stands, as where everything stood before. */
export const standing = (b: Board): ShopWork['before'] =>
  Object.fromEntries(
    b.steps.flatMap((own) => {
      const s = b.seats[own.at];
      if (!s) return [];
      const [worker, spot] = [b.work.workers[s.worker]?.id ?? 0, b.work.spots[s.spot]?.id ?? null];
      return [[own.step.id, { worker, spot, start: s.start }]];
    }),
  );

/** Ways that might help a job: those that what keeps it allows. */
function candidates(b: Board, job: number): Remedy[] {
  const own = b.ofJob[job] ?? [];
  const found: Remedy[] = [{ kind: 'first' }];
  // The gentler one first: the other is told only where it is clearly better.
  const both = (r: Called): number => found.push(r, { ...r, first: true });
  for (const at of own) {
    const s = b.steps[at];
    const place = b.seats[at];
    if (!s) continue;
    if (s.step.waits?.for === 'word') both({ kind: 'call', job: b.work.jobs[job]?.id ?? 0 });
    if (s.step.asks && s.step.wait > ANSWERED.likely) both({ kind: 'ask', step: s.step.id });
    if (s.step.only !== null && !s.step.running)
      for (const w of b.work.workers)
        if (w.skill >= s.step.skill && !s.step.only.includes(w.id))
          found.push({ kind: 'hands', step: s.step.id, worker: w.id });
    if (place) {
      const c = b.calendars[place.worker];
      const days = c ? c.to.flatMap((to, i) => ((c.from[i + 1] ?? Infinity) - to > 8 * 60 ? [to] : [])) : [];
      for (const to of days.filter((d) => d <= place.free).slice(0, DAYS_OF_OVERTIME))
        found.push({
          kind: 'longer',
          worker: b.work.workers[place.worker]?.id ?? 0,
          from: to,
          to: to + LONGER,
        });
    }
  }
  const seen = new Set<string>();
  return found.filter((r) => {
    const key = JSON.stringify(r);
    return seen.has(key) ? false : (seen.add(key), true);
  });
}

const longerCalendar = (from: readonly number[], to: readonly number[], more: Stretch) =>
  calendarOf([...from.map((f, i) => ({ from: f, to: to[i] ?? f })), more]);

/** The work as it would be if somebody stayed longer. Minutes of the plan. */
export const staysLonger = (work: ShopWork, more: Stretch & { readonly worker: number }): ShopWork => ({
  ...work,
  workers: work.workers.map((w) =>
    w.id === more.worker ? { ...w, calendar: longerCalendar(w.calendar.from, w.calendar.to, more) } : w,
  ),
});

/** The work as it would be with a remedy. */
export function workWith(work: ShopWork, r: Remedy): ShopWork {
  switch (r.kind) {
    case 'first':
      return work;
    case 'hands':
      return withSteps(
        work,
        (s) => s.id === r.step,
        () => ({ only: [r.worker] }),
      );
    case 'call':
      return withSteps(
        work,
        (s, job) => job === r.job && s.waits?.for === 'word',
        () => ({ waits: { for: 'word', until: ANSWERED } }),
      );
    case 'ask':
      return withSteps(
        work,
        (s) => s.id === r.step,
        () => ({ wait: ANSWERED.likely, rests: ANSWERED }),
      );
    case 'longer':
      return staysLonger(work, r);
  }
}

/** A remedy as it comes out when its plan is played through as often as the one before. */
function judged(
  remedy: Remedy,
  board: Board,
  before: readonly JobChance[],
  job: number,
  by: { readonly draws: number; readonly seed: number },
): Tried {
  const after = chancesOf(board, playThrough(board, by.draws, by.seed));
  return {
    remedy,
    was: before[job]?.inTime ?? 0,
    is: after[job]?.inTime ?? 0,
    board,
    others: before.flatMap((o, i) => {
      const is = after[i]?.inTime ?? null;
      return i !== job && o.inTime !== null && is !== null && o.inTime - is >= WORTH_SAYING / 2
        ? [{ job: o.job, was: o.inTime, is }]
        : [];
    }),
  };
}

/**
 * The plan with a remedy.
 * @param until by which part of the time to its day the job is planned to be ready: a day that is met by the likely minutes is
 *   no reason to begin sooner, and met by luck all the same
 */
function* planWith(
  b: Board,
  job: number,
  remedy: Remedy,
  until: number,
  seed: number,
): Generator<unknown, Board> {
  const work = { ...workWith(b.work, remedy), before: standing(b) };
  const wanted = b.work.jobs[job]?.due ?? b.work.jobs[job]?.promised ?? 0;
  const due = Math.max(0, wanted * until);
  const sooner = { ...work, jobs: work.jobs.map((j, i) => (i === job ? { ...j, due } : j)) };
  const board = replan(newBoard(until === 1 ? work : sooner), [job]);
  yield* improving(board, { seed, more: (n: number) => n < TRIES });
  return pullUp({ ...board, work });
}

/** Whether a call that goes first is another that does not. */
const sameCall = (one: Remedy, first: Remedy): boolean =>
  'first' in first && JSON.stringify({ ...one, first: true }) === JSON.stringify(first);

/** How hard a job is pressed with a remedy, parts of the time to its day: the gentlest first. */
const pressedBy = (r: Remedy): readonly number[] =>
  r.kind === 'first' ? [1, 0.5, 0] : 'first' in r && r.first === true ? [0.5, 0] : [1];

/** A date that stands counts so many others. */
const HARD = 5;

/** Whether a way makes it clearly more likely, and brings this job more than it takes from others. */
function helps(t: Tried, job: number): boolean {
  const { jobs } = t.board.work;
  const counts = (hard: boolean | undefined): number => (hard ? HARD : 1);
  const lost = t.others.reduce(
    (sum, o) => sum + (o.was - o.is) * counts(jobs.find((j) => j.id === o.job)?.hard),
    0,
  );
  return t.is - t.was >= WORTH_SAYING && (t.is - t.was) * counts(jobs[job]?.hard) > lost;
}

/** What a way asks of people: nothing, another pair of hands, a call, hours of somebody's evening. */
const ASKS: Readonly<Record<Remedy['kind'], number>> = { first: 0, hands: 1, call: 2, ask: 2, longer: 3 };

/** Whether nothing that asks less of people does about as much, at no more cost to others. */
const isNeeded = (t: Tried, all: readonly Tried[]): boolean =>
  !all.some(
    (o) =>
      ASKS[o.remedy.kind] < ASKS[t.remedy.kind] &&
      o.is > t.is - WORTH_SAYING &&
      o.others.length <= t.others.length,
  );

/**
 * What would save a job's date: each way is planned and played through before it is said; only what makes it clearly more
 * likely is, the best first.
 * @param draws how often what is told is played through: as often as the plan it is compared with is elsewhere
 * @param most how many are told
 */
export function remediesFor(b: Board, job: number, seed: number, draws = ROUGHLY, most = 3): Tried[] {
  return toEnd(tryingRemedies(b, job, seed, draws, most));
}

/** The same as `remediesFor`, piece by piece: whoever runs it may let others go on between two. */
export function* tryingRemedies(
  b: Board,
  job: number,
  seed: number,
  draws = ROUGHLY,
  most = 3,
): Generator<unknown, Tried[]> {
  const roughly = { draws: Math.min(draws, ROUGHLY), seed };
  const before = chancesOf(b, playThrough(b, roughly.draws, seed));
  if ((before[job]?.inTime ?? null) === null) return [];
  const tried: Tried[] = [];
  for (const remedy of candidates(b, job)) {
    yield;
    let best: Tried | null = null;
    for (const until of pressedBy(remedy)) {
      const board = yield* planWith(b, job, remedy, until, seed);
      const own = judged(remedy, board, before, job, roughly);
      if (best === null || own.is - best.is >= WORTH_SAYING) best = own;
    }
    const gentler = tried.find((t) => sameCall(t.remedy, remedy));
    if (best && best.is - (gentler?.is ?? 0) >= WORTH_SAYING) tried.push(best);
  }
  const best = tried
    .filter((t) => helps(t, job) && isNeeded(t, tried))
    .sort((x, y) => y.is - x.is || x.others.length - y.others.length)
    .slice(0, most);
  if (draws <= roughly.draws) return best;
  const known = chancesOf(b, playThrough(b, draws, seed));
  const told: Tried[] = [];
  for (const { remedy, board } of best) {
    yield;
    told.push(judged(remedy, board, known, job, { draws, seed }));
  }
  return told.filter((t) => helps(t, job)).sort((x, y) => y.is - x.is || x.others.length - y.others.length);
}
