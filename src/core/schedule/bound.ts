import { toEnd } from '../to-end.ts';
import { jobAlone } from './alone.ts';
import { newBoard, type Board } from './board.ts';
import { aloneIn, piecesOf, type Alone, type Pieces, type Use } from './bound-work.ts';
import { costWhenReady } from './cost.ts';
import { noPrices, PriceSearch, type Prices } from './price-search.ts';
import type { ShopWork } from './shop-work.ts';

const HOUR = 60;
/** How often all jobs are looked at: as often as is worth it, less where they are many. */
const MOST_ROUNDS = 200;
const LEAST_ROUNDS = 30;
/** In all, jobs times pieces of time. */
const LOOKS = 3e6;

/** What a minute costs on each line: hands of a level take from all levels below it too. */
const summed = (prices: Prices, levels: number): Float64Array[] =>
  prices.map((own, line) =>
    line >= levels
      ? own
      : own.map((_, piece) => prices.slice(0, line + 1).reduce((sum, p) => sum + (p[piece] ?? 0), 0)),
  );

/** A way of a job: what it costs, and into which piece each of its uses falls. */
interface Way {
  readonly cost: number;
  readonly uses: readonly Use[];
  readonly taken: readonly number[];
}

/** The cheapest way of a job at the present prices. */
function cheapest(b: Board, j: Alone, uses: readonly Use[], price: Prices, most: number): Way {
  const chosen = uses.map((u) => u.first);
  const seen = uses.map((u) => u.first + 1);
  let least = most;
  let taken: readonly number[] = chosen;
  for (const [i, finish] of j.finish.entries()) {
    let cost = costWhenReady(b, j.job, finish);
    // Later it only gets dearer by its dates: when those alone are more, nothing is gained.
    if (cost >= least) break;
    for (const [n, u] of uses.entries()) {
      const line = price[u.line] as Float64Array;
      const last = u.last[i] ?? 0;
      let at = chosen[n] ?? 0;
      for (let k = seen[n] ?? 0; k <= last; k++) if ((line[k] ?? 0) < (line[at] ?? 0)) at = k;
      chosen[n] = at;
      seen[n] = Math.max(seen[n] ?? 0, last + 1);
      cost += u.minutes * (line[at] ?? 0);
    }
    if (cost >= least) continue;
    least = cost;
    taken = [...chosen];
  }
  return { cost: least, uses, taken };
}

/** A job’s uses in two ways: everything by one pair of hands, or each step by the least skilled, with a change of hands. */
interface Asked {
  readonly alone: Alone;
  readonly byMany: readonly Use[];
  readonly byOne: readonly Use[] | null;
}

const askedBy = (alone: Alone): Asked => ({
  alone,
  byMany: [...alone.hands, ...alone.places],
  byOne:
    alone.oneHand === null
      ? null
      : [...alone.hands.map((u) => ({ ...u, line: alone.oneHand ?? u.line })), ...alone.places],
});

function bestWay(b: Board, { alone, byMany, byOne }: Asked, price: Prices): Way {
  const one = byOne && cheapest(b, alone, byOne, price, Infinity);
  const { hands } = b.work.weights;
  const many = cheapest(b, alone, byMany, price, one ? one.cost - hands : Infinity);
  return one && many.cost + hands >= one.cost ? one : { ...many, cost: many.cost + hands };
}

/** What all jobs cost at some prices less what is there to be paid for, and by how much they ask for more than there is. */
function valueAt(b: Board, jobs: readonly Asked[], prices: Prices, p: Pieces) {
  const last = p.from.length - 1;
  const over = p.has.map((line) => Float64Array.from(line, (has, at) => (at === last ? 0 : -has)));
  const price = summed(prices, p.levels);
  let value = 0;
  for (const j of jobs) {
    const way = bestWay(b, j, price);
    value += way.cost;
    way.uses.forEach((u, i) => {
      const at = way.taken[i] ?? 0;
      // What is asked in the last piece, which has no end, is there.
      if (at === last) return;
      for (let line = u.line < p.levels ? 0 : u.line; line <= u.line; line++) {
        const own = over[line];
        if (own) own[at] = (own[at] ?? 0) + u.minutes;
      }
    });
  }
  prices.forEach((line, i) =>
    line.forEach((one, at) => {
      if (at < last) value -= one * (p.has[i]?.[at] ?? 0);
    }),
  );
  return { value, over };
}

/**
 * Prices to begin with: as if all hands together did one job after the other, in the order of what an hour of them is worth on each. A
 * minute of hands then costs what those who stand behind it lose.
 */
function firstPrices(b: Board, jobs: readonly Asked[], p: Pieces): Float64Array[] {
  const prices = noPrices(p.has);
  const order = jobs
    .map(({ alone: { job, finish, hands } }) => {
      const [at, minutes] = [finish[0] ?? 0, hands.reduce((sum, u) => sum + u.minutes, 0)];
      const anHour = costWhenReady(b, job, at + HOUR) - costWhenReady(b, job, at);
      return { minutes, worth: anHour / HOUR / Math.max(1, minutes) };
    })
    .sort((x, y) => y.worth - x.worth);
  const last = p.from.length - 1;
  const worth = new Float64Array(last);
  let next = 0;
  let left = order[0]?.minutes ?? 0;
  for (let i = 0; i < last; i++) {
    let room = p.has[0]?.[i] ?? 0;
    let sum = 0;
    while (room > 0 && next < order.length) {
      const part = Math.min(room, left);
      sum += part * (order[next]?.worth ?? 0);
      room -= part;
      left -= part;
      if (left <= 0) left = order[++next]?.minutes ?? 0;
    }
    worth[i] = sum / Math.max(1, (p.has[0]?.[i] ?? 0) - room);
  }
  const own = prices[0];
  for (let i = last - 1; own && i >= 0; i--)
    own[i] = (own[i + 1] ?? 0) + (worth[i] ?? 0) * ((p.from[i + 1] ?? 0) - (p.from[i] ?? 0));
  return prices;
}

/**
 * A number no plan of this work can cost less than. Jobs are looked at one by one, each paying a price for the hands and
 * places it takes of each piece of time; prices rise where more is asked for than there is (Lagrangian relaxation, by
 * subgradients). Moved steps are left out: they only add.
 * @param known what some plan costs
 */
export function lowerBound(work: ShopWork, known: number): number {
  return toEnd(bounding(work, known));
}

/** The same as `lowerBound`, round by round, with the best so far: whoever runs it may let others go on between two. */
export function* bounding(work: ShopWork, known: number): Generator<number, number> {
  const b = newBoard(work);
  const can = b.ofJob.flatMap((own, job) =>
    own.length > 0 && own.every((at) => (b.steps[at]?.who.length ?? 0) > 0) ? [job] : [],
  );
  if (can.length === 0) return 0;
  const p = piecesOf(b, Math.max(...can.map((job) => jobAlone(b, job).finish)));
  const jobs: Asked[] = [];
  for (const job of can) {
    jobs.push(askedBy(aloneIn(b, job, p)));
    yield 0;
  }
  const valueOf = (prices: Prices) => valueAt(b, jobs, prices, p).value;
  const [nothing, first] = [noPrices(p.has), firstPrices(b, jobs, p)];
  let best = valueOf(nothing);
  yield best;
  const search = new PriceSearch(valueOf(first) > best ? first : nothing);
  const rounds = Math.max(
    LEAST_ROUNDS,
    Math.min(MOST_ROUNDS, Math.round(LOOKS / jobs.length / p.from.length)),
  );
  for (let round = 0; round < rounds && known > best + 1e-9; round++) {
    yield best;
    const { value, over } = valueAt(b, jobs, search.prices, p);
    if (value > best) best = value;
    if (!search.goOn(value, over, known)) break;
  }
  return Math.min(best, known);
}
