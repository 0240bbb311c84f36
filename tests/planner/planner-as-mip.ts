/**
 * The planner's question once more, asked a solver that knows nothing of it: a mixed-integer programme with a variable for each
 * step, worker, place and moment. Nothing of the planner's own counting is used here but the shop it is asked of.
 */
import load, { type Highs } from 'highs';
import type { PlannedJob, ShopWork, Step, Worker } from '../../src/core/schedule/shop-work.ts';

/** Everything in such a shop lies on this grid, minutes: so does then the best plan, since nothing is gained by beginning later. */
export const GRID = 60;

/** One way to do a step. Minutes. */
interface Way {
  readonly name: string;
  readonly job: PlannedJob;
  readonly step: Step;
  readonly worker: Worker;
  readonly spot: string | null;
  readonly start: number;
  readonly free: number;
  /** the moments of the grid in which hands, the place, the instrument are taken */
  readonly hands: readonly number[];
  readonly place: readonly number[];
  readonly instrument: readonly number[];
}

/** The moments of the grid at which somebody works. */
function workingMoments(w: Worker): number[] {
  return w.calendar.from.flatMap((from, i) => {
    const to = w.calendar.to[i] ?? from;
    return Array.from({ length: (to - from) / GRID }, (_, k) => from + k * GRID);
  });
}

const momentsBetween = (from: number, to: number): number[] =>
  Array.from({ length: Math.max(0, (to - from) / GRID) }, (_, k) => from + k * GRID);

const mayDo = (s: Step, w: Worker): boolean => (s.only === null ? w.skill >= s.skill : s.only.includes(w.id));

/** Every way to do a step within so many minutes from the plan's beginning. */
function waysOf(work: ShopWork, job: PlannedJob, step: Step, until: number): Way[] {
  const places = step.place === null ? [null] : work.spots.filter((p) => p.kind === step.place);
  const needed = step.minutes.likely / GRID;
  return work.workers
    .filter((w) => mayDo(step, w))
    .flatMap((worker) => {
      const moments = workingMoments(worker);
      return moments.flatMap((start, i) =>
        places.flatMap((place, p): Way[] => {
          const hands = moments.slice(i, i + needed);
          const last = hands.at(-1);
          if (hands.length < needed || last === undefined) return [];
          const end = last + GRID;
          const free = end + step.wait;
          const inOnePiece = end - start === needed * GRID;
          const earliest = Math.max(step.pin ?? 0, step.waits?.until.likely ?? 0);
          if (start < earliest || free > until || (!step.cut && !inOnePiece)) return [];
          const taken = momentsBetween(start, step.holds ? free : end);
          if (place?.out.some((o) => taken.some((m) => m >= o.from && m < o.to))) return [];
          const name = `x_${step.id.replace(/\W/g, '_')}_${worker.id}_${p}_${start}`;
          const instrument = momentsBetween(start, free);
          return [
            {
              name,
              job,
              step,
              worker,
              spot: place?.id ?? null,
              start,
              free,
              hands,
              place: taken,
              instrument,
            },
          ];
        }),
      );
    });
}

const lateHours = (ready: number, due: number | null): number =>
  due === null ? 0 : Math.max(0, ready - due) / 60;

const readyCost = ({ weights: w }: ShopWork, job: PlannedJob, ready: number): number =>
  (job.hard ? w.hard : w.wished) * lateHours(ready, job.due) +
  w.promised * lateHours(ready, job.promised) +
  (w.stay * ready) / 60;

const sumOf = (names: readonly string[]): string => names.join(' + ');

/** At most one of those that take the same thing at the same moment. */
function onlyOneEach(
  rows: string[],
  ways: readonly Way[],
  takes: (w: Way) => readonly (readonly [string, number])[],
): void {
  const at = new Map<string, string[]>();
  for (const w of ways)
    for (const [thing, moment] of takes(w)) {
      const key = `${thing}@${moment}`;
      at.set(key, [...(at.get(key) ?? []), w.name]);
    }
  for (const names of at.values()) if (names.length > 1) rows.push(`${sumOf(names)} <= 1`);
}

/** The steps of a job follow each other: by each moment at most as many have begun as those before them are over. */
function oneAfterTheOther(rows: string[], first: readonly Way[], then: readonly Way[]): void {
  for (const moment of new Set(then.map((w) => w.start))) {
    const begun = then.filter((w) => w.start <= moment).map((w) => w.name);
    const over = first.filter((w) => w.free <= moment).map((w) => w.name);
    rows.push(`${sumOf(begun)}${over.map((n) => ` - ${n}`).join('')} <= 0`);
  }
}

/** Another pair of hands than the step before it had, or than whose job it is: a variable that is 1 then. */
function changesOfHand(
  rows: string[],
  work: ShopWork,
  job: PlannedJob,
  of: readonly (readonly Way[])[],
): string[] {
  return of.flatMap((then, i) => {
    const first = of[i - 1];
    if (!first && job.holder === null) return [];
    const name = `h_${job.id}_${i}`;
    for (const w of work.workers) {
      const now = then.filter((x) => x.worker === w).map((x) => x.name);
      const before = first?.filter((x) => x.worker === w).map((x) => x.name) ?? [];
      const held = !first && w.id === job.holder ? 1 : 0;
      if (now.length > 0)
        rows.push(`${name} - ${now.join(' - ')}${before.map((n) => ` + ${n}`).join('')} >= -${held}`);
    }
    return [name];
  });
}

/** The programme in the solver's own text. Each job's steps follow one another in their order. */
function programme(work: ShopWork, until: number): string {
  const rows: string[] = [];
  const costs: string[] = [];
  const all: Way[] = [];
  const changes: string[] = [];
  for (const job of work.jobs) {
    const of = job.steps.map((s) => waysOf(work, job, s, until));
    for (const ways of of) rows.push(`${sumOf(ways.map((w) => w.name))} = 1`);
    of.forEach((ways, i) => of[i - 1] && oneAfterTheOther(rows, of[i - 1] as Way[], ways));
    for (const w of of.at(-1) ?? []) costs.push(`${readyCost(work, job, w.free)} ${w.name}`);
    const own = changesOfHand(rows, work, job, of);
    changes.push(...own);
    for (const h of own) costs.push(`${work.weights.hands} ${h}`);
    all.push(...of.flat());
  }
  onlyOneEach(rows, all, (w) => w.hands.map((m) => [`w${w.worker.id}`, m]));
  onlyOneEach(rows, all, (w) => (w.spot === null ? [] : w.place.map((m) => [w.spot as string, m])));
  const lines = rows.map((row, i) => `r${i}: ${row}`).join('\n');
  const free = changes.map((h) => `0 <= ${h} <= 1`).join('\n');
  return `Minimize\nobj: ${sumOf(costs)}\nSubject To\n${lines}\nBounds\n${free}\nBinary\n${all.map((w) => w.name).join('\n')}\nEnd\n`;
}

let loaded: Promise<Highs> | null = null;

/**
 * What the best plan of a shop costs whose jobs' steps follow one another and whose times lie on the grid.
 * @param until no step may be over later, minutes; late enough that the best plan is not cut off
 * @returns null where nothing can be done in that time
 */
export async function leastCost(work: ShopWork, until: number): Promise<number | null> {
  const highs = await (loaded ??= load());
  const solved = highs.solve(programme(work, until), { output_flag: false, mip_rel_gap: 1e-9 });
  if (solved.Status === 'Infeasible') return null;
  if (solved.Status !== 'Optimal') throw new Error(`the solver says ${solved.Status}`);
  return solved.ObjectiveValue;
}
