/** The shop’s work with hands and places at a price: what each job would do then, and what no plan can cost less than. */
import type { Board } from './board.ts';
import { askedJob, Costs, Ends, type AskedJob } from './bound-asked.ts';
import { WaySearch, type Way } from './bound-job.ts';
import { addTaken, boundTime, type BoundTime } from './bound-time.ts';
import { costWhenReady } from './cost.ts';
import { momentsOf, noPrices, PriceSearch, type Prices } from './price-search.ts';
import { askedOf } from './skill-price.ts';

const HOUR = 60;
/**
 * Prices are moved at few moments first, then at more, those of a skill together: over all the time there is, in the end in each day from
 * its morning to its evening, since a night is long.
 */
const PARTS = [
  { each: 3, byDay: false, share: 0.25 },
  { each: 6, byDay: false, share: 0.3 },
  { each: 1, byDay: true, share: 0.45 },
] as const;
/** So many jobs are looked at before others may go on. */
const AT_ONCE = 25;

/** What there is of each line in each cell, minutes. */
const thereIs = (t: BoundTime): Float64Array[] =>
  t.lines.map(({ at, many }) =>
    Float64Array.from({ length: t.prices }, (_, cell) => many * ((at[cell + 1] ?? 0) - (at[cell] ?? 0))),
  );

/** What jobs look for their cheapest ways in. */
interface Market {
  readonly t: BoundTime;
  readonly has: readonly Float64Array[];
  readonly jobs: readonly AskedJob[];
  readonly ways: (Way | null)[];
  readonly search: WaySearch;
}

/** What all jobs cost at some prices less what is there to be paid for, and by how much they ask for more than there is. */
function* valueAt(m: Market, prices: Prices): Generator<null, { value: number; over: Float64Array[] }> {
  const { t, has, jobs, ways, search } = m;
  const costs = new Costs(t, prices);
  const over = has.map((line) => Float64Array.from(line, (minutes) => -minutes));
  let value = 0;
  for (const [n, job] of jobs.entries()) {
    if (n % AT_ONCE === AT_ONCE - 1) yield null;
    const way = search.cheapest(job, costs, ways[n] ?? null);
    if (way.steps.length > 0) ways[n] = way;
    value += way.cost;
    for (const { step, worker, cell } of way.steps)
      for (const [line, minutes] of [
        [worker, step.minutes],
        [step.place, step.placeMinutes],
      ] as const) {
        const own = t.lines[line];
        const taken = over[line];
        if (own && taken && cell < t.prices) addTaken(own, cell, minutes, taken);
      }
  }
  prices.forEach((line, i) =>
    line.forEach((one, p) => {
      value -= one * (has[i]?.[p] ?? 0);
    }),
  );
  return { value, over };
}

/**
 * Prices to begin with: as if all hands of a skill together did one job after the other, in the order of what an hour of them is worth on
 * each. A minute of hands then costs what those who stand behind it lose.
 */
function firstPrices(b: Board, { t, has, jobs }: Market, level: number): Float64Array[] {
  const prices = noPrices(has.length, t.prices);
  const able = b.work.workers.flatMap((w, i) => (w.skill >= level ? [i] : []));
  const order = jobs
    .map(({ job, soonest }) => {
      const minutes = askedOf(b, job, level);
      const anHour = costWhenReady(b, job, soonest + HOUR) - costWhenReady(b, job, soonest);
      return { minutes, worth: anHour / HOUR / Math.max(1, minutes) };
    })
    .filter(({ minutes }) => minutes > 0)
    .sort((x, y) => y.worth - x.worth);
  let next = 0;
  let left = order[0]?.minutes ?? 0;
  const worth = Float64Array.from({ length: t.prices }, (_, p) => {
    const all = able.reduce((sum, i) => sum + (has[i]?.[p] ?? 0), 0);
    let room = all;
    let sum = 0;
    while (room > 0 && next < order.length) {
      const part = Math.min(room, left);
      sum += part * (order[next]?.worth ?? 0);
      room -= part;
      left -= part;
      if (left <= 0) left = order[++next]?.minutes ?? 0;
    }
    return all > 0 ? sum / all : 0;
  });
  const begins = (p: number): number => t.from[p] ?? 0;
  for (const i of able) {
    const own = prices[i] as Float64Array;
    for (let p = t.prices - 1; p >= 0; p--)
      own[p] = (own[p + 1] ?? 0) + (worth[p] ?? 0) * (begins(p + 1) - begins(p));
  }
  return prices;
}

/** Of several prices of each minute the highest. */
const dearest = (all: readonly Prices[]): Float64Array[] =>
  (all[0] ?? []).map((line, i) =>
    line.map((_, at) => Math.max(...all.map((prices) => prices[i]?.[at] ?? 0))),
  );

/** How finely it is looked at, and for how long. */
export interface Look {
  /** into how many cells time is cut at most, and how many of them are looked at for all jobs together at once */
  readonly cells: number;
  readonly together: number;
  /** how many jobs are looked at in all, about */
  readonly looks: number;
  /** how often all are looked at, at least and at most */
  readonly rounds: readonly [least: number, most: number];
}

/** For a bound: as finely as can be. */
export const FINELY: Look = { cells: 4000, together: 1.2e6, looks: 12_000, rounds: [25, 150] };

/** What came out of it. */
export interface Relaxed {
  /** no plan costs less */
  readonly bound: number;
  readonly t: BoundTime;
  /** of each line, those of the highest bound */
  readonly prices: Prices;
  /** by job: the moment its last step is begun, on average over the prices tried; those that nobody can do are missing */
  readonly ends: ReadonlyMap<number, number>;
}

/** How much of what was found at earlier prices counts with what is found at the present ones. */
const EARLIER = 0.93;

/** The mean of when each job would be done. */
class MeanEnds {
  private readonly sum: Float64Array;
  private weight = 0;

  private readonly m: Market;

  constructor(m: Market) {
    this.m = m;
    this.sum = new Float64Array(m.jobs.length);
  }

  add(): void {
    this.weight = EARLIER * this.weight + (1 - EARLIER);
    this.m.ways.forEach((way, n) => {
      const cell = way?.steps.at(-1)?.cell ?? 0;
      this.sum[n] = EARLIER * (this.sum[n] ?? 0) + (1 - EARLIER) * (this.m.t.from[cell] ?? 0);
    });
  }

  get byJob(): ReadonlyMap<number, number> {
    return new Map(this.m.jobs.map(({ job }, n) => [job, (this.sum[n] ?? 0) / Math.max(1e-9, this.weight)]));
  }
}

/**
 * Looks at jobs one by one, each in every order of its steps, by everybody, at every moment, paying a price for the hands and places it
 * takes of each stretch of time; prices rise where more is asked for than there is (Lagrangian relaxation). Moved steps are left out:
 * they only add. Says the best bound so far between two pieces.
 * @param b a board with what stands whatever is planned, and nothing else
 * @param known what some plan costs
 * @returns null where there is nothing that anybody can do
 */
export function* relaxing(
  b: Board,
  known: number,
  { cells, together: all, looks, rounds: [fewest, most] }: Look,
): Generator<number, Relaxed | null> {
  const can = b.ofJob.flatMap((own, job) =>
    own.length > 0 && own.every((at) => (b.steps[at]?.who.length ?? 0) > 0) ? [job] : [],
  );
  if (can.length === 0) return null;
  const t = boundTime(b, can, Math.min(cells, Math.ceil(all / can.length)));
  const ends = new Ends(t);
  const jobs: AskedJob[] = [];
  for (const job of can) {
    jobs.push(askedJob(b, t, ends, job));
    yield 0;
  }
  const market: Market = {
    t,
    has: thereIs(t),
    jobs,
    ways: jobs.map(() => null),
    search: new WaySearch(b, t),
  };
  let best = 0;
  let first: Prices = noPrices(t.lines.length, t.prices);
  const levels = [...new Set(b.work.workers.map((w) => w.skill))];
  const byLevel = levels.map((level) => firstPrices(b, market, level));
  for (const prices of [first, ...byLevel, dearest(byLevel)]) {
    const { value } = yield* sayingOf(valueAt(market, prices), best);
    if (value > best) [best, first] = [value, prices];
  }
  const mean = new MeanEnds(market);
  const rounds = Math.max(fewest, Math.min(most, Math.round(looks / jobs.length)));
  const groupOf = t.lines.map((_, i) => {
    const skill = b.work.workers[i]?.skill;
    return skill === undefined ? i : b.work.workers.findIndex((w) => w.skill === skill);
  });
  for (const { each, byDay, share } of PARTS) {
    const search = new PriceSearch(first, {
      groupOf,
      moments: momentsOf(t.prices, byDay ? t.days : [0], each),
    });
    for (let round = 0; round < rounds * share && known > best + 1e-9; round++) {
      const { value, over } = yield* sayingOf(valueAt(market, search.prices), best);
      best = Math.max(best, value);
      mean.add();
      if (!search.goOn(value, over, known)) break;
    }
    first = search.bestPrices;
  }
  return { bound: Math.min(best, known), t, prices: first, ends: mean.byJob };
}

/** Goes through something piece by piece, saying the best so far at each. */
function* sayingOf<T>(pieces: Generator<null, T>, best: number): Generator<number, T> {
  for (let step = pieces.next(); ; step = pieces.next()) {
    if (step.done) return step.value;
    yield best;
  }
}
