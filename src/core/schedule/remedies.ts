import { newBoard, type Board } from './board.ts';
import { calendarOf, type Stretch } from './calendar.ts';
import { chancesOf, playThrough } from './chance.ts';
import { improve } from './improve.ts';
import { replan } from './place.ts';
import type { ShopWork } from './shop-work.ts';

/** What might save a promise. */
export type Remedy =
  /** it goes before what others wait for */
  | { readonly kind: 'first' }
  /** a step is given to somebody else */
  | { readonly kind: 'hands'; readonly step: string; readonly worker: number }
  /** the customer is called, and answers today */
  | { readonly kind: 'call'; readonly step: string }
  /** somebody stays longer on a day: moments */
  | { readonly kind: 'longer'; readonly worker: number; readonly from: number; readonly to: number };

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

const DRAWS = 300;
const WORTH_SAYING = 0.1;
const ANSWERED_IN = 180;
const LONGER = 120;
const DAYS_OF_OVERTIME = 3;

const withStep = (
  work: ShopWork,
  id: string,
  change: (s: ShopWork['jobs'][number]['steps'][number]) => object,
): ShopWork => ({
  ...work,
  jobs: work.jobs.map((j) => ({
    ...j,
    steps: j.steps.map((s) => (s.id === id ? { ...s, ...change(s) } : s)),
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
  for (const at of own) {
    const s = b.steps[at];
    const place = b.seats[at];
    if (!s) continue;
    if (s.step.waits?.for === 'word') found.push({ kind: 'call', step: s.step.id });
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
      return withStep(work, r.step, () => ({ only: [r.worker] }));
    case 'call':
      return withStep(work, r.step, (s) => ({
        waits: { ...(s as { waits: object }).waits, until: { low: 30, likely: ANSWERED_IN, high: 360 } },
      }));
    case 'longer':
      return staysLonger(work, r);
  }
}

/**
 * What would save a job's date: each way is planned and played through before it is said; only what makes it clearly more
 * likely is, the best first.
 * @param most how many are told
 */
export function remediesFor(b: Board, job: number, seed: number, most = 3): Tried[] {
  const id = b.work.jobs[job]?.id;
  const before = chancesOf(b, playThrough(b, DRAWS, seed));
  const was = before[job]?.inTime ?? null;
  if (id === undefined || was === null) return [];
  const tried = candidates(b, job).map((remedy): Tried => {
    const board = replan(newBoard({ ...workWith(b.work, remedy), before: standing(b) }), [job]);
    const tries = { seed, more: (n: number) => n < 60 };
    improve(board, tries);
    const after = chancesOf(board, playThrough(board, DRAWS, seed));
    return {
      remedy,
      was,
      is: after[job]?.inTime ?? 0,
      board,
      others: before.flatMap((o, i) => {
        const is = after[i]?.inTime ?? null;
        return i !== job && o.inTime !== null && is !== null && o.inTime - is >= WORTH_SAYING / 2
          ? [{ job: o.job, was: o.inTime, is }]
          : [];
      }),
    };
  });
  return tried
    .filter((t) => t.is - t.was >= WORTH_SAYING)
    .sort((x, y) => y.is - x.is || x.others.length - y.others.length)
    .slice(0, most);
}
