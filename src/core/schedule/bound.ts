import { piecesBetween, type Calendar } from './calendar.ts';
import { earliestSeat, newBoard, type Board, type BoardStep, type Seat } from './board.ts';
import type { ShopWork } from './shop-work.ts';

/** Time is looked at in pieces of so many minutes. */
const BIN = 360;
const MOST_BINS = 240;
const ROUNDS = 100;
const HOUR = 60;

/** What a job costs at least that ends at a moment: by its dates and how long it stays. */
function costAt(b: Board, job: number, finish: number): number {
  const j = b.work.jobs[job];
  if (!j) return 0;
  const { weights: w } = b.work;
  const late = (due: number | null): number => (due === null ? 0 : Math.max(0, finish - due) / HOUR);
  return (
    (j.hard ? w.hard : w.wished) * late(j.due) + w.promised * late(j.promised) + (w.stay * finish) / HOUR
  );
}

/** Something a step takes of what the shop has little of: minutes of hands of some skill, or of a kind of place. */
interface Use {
  /** which line of prices it pays */
  readonly line: number;
  readonly minutes: number;
  /** the first piece of time it can fall into */
  readonly first: number;
  /** minutes that must still pass after it until the job ends */
  readonly tail: number;
}

interface Alone {
  readonly job: number;
  readonly uses: readonly Use[];
  /** when it could end if nothing else were in the shop */
  readonly finish: number;
  /** its last step needs no rest: it ends while somebody works */
  readonly byHands: boolean;
}

/** What is scarce: hands that can do at least so much, one line a level of skill, then each kind of place. */
interface Scarce {
  readonly levels: number;
  readonly kinds: readonly string[];
  readonly bins: number;
  /** minutes there are, by line and piece of time */
  readonly has: readonly (readonly number[])[];
  /** the first moment of each piece of time at which somebody works; Infinity where nobody does */
  readonly opens: readonly number[];
}

const binOf = (at: number, bins: number): number => Math.min(bins - 1, Math.max(0, Math.floor(at / BIN)));

/** When a step's hands are done at the soonest with nobody else in the shop. */
const soonest = (empty: Board, s: BoardStep, from: number): Seat | null =>
  s.who.reduce<Seat | null>((found, worker) => {
    const one = earliestSeat(empty, s, from, worker, -1);
    return one && (!found || one.end < found.end) ? one : found;
  }, null);

function alone(empty: Board, job: number, { levels, kinds, bins }: Scarce): Alone {
  const own = empty.ofJob[job] ?? [];
  const start = new Map<number, number>();
  const free = new Map<number, number>();
  for (const at of own) {
    const s = empty.steps[at] as BoardStep;
    const from = s.after.reduce(
      (most, i) => Math.max(most, free.get(i) ?? 0),
      Math.max(s.earliest, s.step.pin ?? 0),
    );
    const best = soonest(empty, s, from);
    start.set(at, best?.start ?? from);
    free.set(at, (best?.end ?? from + s.minutes) + s.step.wait);
  }
  const tail = new Map<number, number>();
  for (const at of [...own].reverse()) {
    const s = empty.steps[at] as BoardStep;
    const later = own
      .filter((i) => empty.steps[i]?.after.includes(at))
      .map((i) => (empty.steps[i]?.minutes ?? 0) + (tail.get(i) ?? 0));
    tail.set(at, s.step.wait + Math.max(0, ...later));
  }
  const uses = own.flatMap((at): Use[] => {
    const s = empty.steps[at] as BoardStep;
    const first = binOf(start.get(at) ?? 0, bins);
    const after = tail.get(at) ?? 0;
    const level = Math.min(...s.who.map((i) => empty.work.workers[i]?.skill ?? 0));
    const hands = { line: level, minutes: s.minutes, first, tail: after };
    if (s.where === null) return [hands];
    const rest = s.step.holds ? s.step.wait : 0;
    const line = levels + kinds.indexOf(s.step.place ?? '');
    return [hands, { line, minutes: s.minutes + rest, first, tail: after - rest }];
  });
  const sum = own.reduce(
    (all, at) => all + (empty.steps[at]?.minutes ?? 0) + (empty.steps[at]?.step.wait ?? 0),
    0,
  );
  const last = own.filter((at) => !own.some((o) => empty.steps[o]?.after.includes(at)));
  return {
    job,
    uses,
    finish: Math.max(sum, ...free.values()),
    byHands: last.every((at) => empty.steps[at]?.step.wait === 0),
  };
}

function scarce(b: Board, latest: number): Scarce {
  const { work } = b;
  const levels = 1 + Math.max(0, ...work.workers.map((w) => w.skill));
  const kinds = [...new Set(work.spots.map((s) => s.kind))];
  const minutesIn = (c: Calendar | undefined, bin: number): number =>
    c ? piecesBetween(c, bin * BIN, (bin + 1) * BIN).reduce((sum, p) => sum + p.to - p.from, 0) : 0;
  const wanted = b.steps.reduce((sum, s) => sum + s.minutes, 0);
  let bins = Math.ceil(latest / BIN) + 2;
  for (let sum = 0; bins < MOST_BINS && sum < wanted; bins++)
    sum += b.calendars.reduce((all, c) => all + minutesIn(c, bins), 0);
  bins = Math.min(MOST_BINS, bins);
  const each = (of: (bin: number) => number): number[] => Array.from({ length: bins }, (_, bin) => of(bin));
  const opens = each((bin) =>
    Math.min(
      ...b.calendars.flatMap((c) =>
        c
          ? piecesBetween(c, bin * BIN, (bin + 1) * BIN)
              .slice(0, 1)
              .map((p) => p.from)
          : [],
      ),
    ),
  );
  return {
    levels,
    kinds,
    bins,
    opens,
    has: [
      ...Array.from({ length: levels }, (_, level) =>
        each((bin) =>
          work.workers.reduce(
            (sum, w, i) => sum + (w.skill >= level ? minutesIn(b.calendars[i], bin) : 0),
            0,
          ),
        ),
      ),
      ...kinds.map((kind) => each(() => BIN * work.spots.filter((s) => s.kind === kind).length)),
    ],
  };
}

/** What a minute costs on each line: hands of a level take from all levels below it too. */
const summed = (prices: readonly (readonly number[])[], { levels, bins }: Scarce): number[][] =>
  prices.map((own, line) =>
    line >= levels
      ? [...own]
      : Array.from({ length: bins }, (_, bin) =>
          prices.slice(0, line + 1).reduce((sum, p) => sum + (p[bin] ?? 0), 0),
        ),
  );

/**
 * The cheapest way of one job at the present prices; what it takes is added to `used`. The last piece of time has no end and
 * costs nothing.
 */
function cheapest(
  b: Board,
  j: Alone,
  price: readonly (readonly number[])[],
  used: number[][],
  s: Scarce,
): number {
  const { bins } = s;
  const chosen = j.uses.map((u) => u.first);
  const open = j.uses.map((u) => u.first + 1);
  let least = Infinity;
  let taken: readonly number[] = chosen;
  for (let end = binOf(j.finish, bins); end < bins; end++) {
    const soonest = j.byHands && end < bins - 1 ? (s.opens[end] ?? 0) : end * BIN;
    if (soonest === Infinity) continue;
    let cost = costAt(b, j.job, Math.max(j.finish, soonest));
    // Later it only gets dearer by its dates: when those alone are more, nothing is gained.
    if (cost >= least) break;
    for (const [i, u] of j.uses.entries()) {
      const line = price[u.line] ?? [];
      const last = end === bins - 1 ? bins - 1 : Math.max(u.first, binOf((end + 1) * BIN - u.tail, bins));
      for (let k = open[i] ?? 0; k <= last; k++)
        if ((line[k] ?? 0) < (line[chosen[i] ?? 0] ?? 0)) chosen[i] = k;
      open[i] = Math.max(open[i] ?? 0, last + 1);
      cost += u.minutes * (line[chosen[i] ?? 0] ?? 0);
    }
    if (cost >= least) continue;
    least = cost;
    taken = [...chosen];
  }
  j.uses.forEach((u, i) => {
    const from = u.line < s.levels ? 0 : u.line;
    for (let line = from; line <= u.line; line++) {
      const own = used[line];
      const k = taken[i] ?? 0;
      if (own) own[k] = (own[k] ?? 0) + u.minutes;
    }
  });
  return least;
}

/**
 * A number no plan of this work can cost less than. Jobs are looked at one by one, each paying a price for the hands and
 * places it takes of each piece of time; prices rise where more is asked for than there is (Lagrangian relaxation, by
 * subgradients). Moved steps and changed hands are left out: they only add.
 * @param known what some plan costs
 */
export function lowerBound(work: ShopWork, known: number): number {
  const b = newBoard(work);
  const can = b.ofJob.flatMap((own, job) =>
    own.length > 0 && own.every((at) => (b.steps[at]?.who.length ?? 0) > 0) ? [job] : [],
  );
  if (can.length === 0) return 0;
  const bare = { levels: 1, kinds: [], bins: 1, has: [], opens: [] };
  const latest = Math.max(...can.map((job) => alone(b, job, bare).finish));
  const s = scarce(b, latest);
  const jobs = can.map((job) => alone(b, job, s));
  const prices = s.has.map((line) => line.map(() => 0));
  let best = jobs.reduce((sum, j) => sum + costAt(b, j.job, j.finish), 0);
  let pace = 1;
  let without = 0;
  for (let round = 0; round < ROUNDS && known > best + 1e-9; round++) {
    const used = s.has.map((line) => line.map(() => 0));
    const price = summed(prices, s);
    let value = jobs.reduce((sum, j) => sum + cheapest(b, j, price, used, s), 0);
    s.has.forEach((line, i) => line.forEach((has, bin) => (value -= (prices[i]?.[bin] ?? 0) * has)));
    if (value > best) {
      best = value;
      without = 0;
    } else if (++without % 6 === 0) pace /= 2;
    const over = used.map((line, i) => line.map((minutes, bin) => minutes - (s.has[i]?.[bin] ?? 0)));
    const counts = (i: number, bin: number): boolean =>
      bin < s.bins - 1 && ((over[i]?.[bin] ?? 0) > 0 || (prices[i]?.[bin] ?? 0) > 0);
    const norm = over.reduce(
      (sum, line, i) => sum + line.reduce((all, o, bin) => all + (counts(i, bin) ? o * o : 0), 0),
      0,
    );
    if (norm === 0) break;
    const step = (pace * Math.max(known - value, 1e-6)) / norm;
    over.forEach((line, i) =>
      line.forEach((o, bin) => {
        const own = prices[i];
        if (own && counts(i, bin)) own[bin] = Math.max(0, (own[bin] ?? 0) + step * o);
      }),
    );
  }
  return Math.min(best, known);
}
