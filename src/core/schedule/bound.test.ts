/** What the lower bound is made of, each against trying all there is. */
import fc from 'fast-check';
import { seeded } from '../seeded.ts';
import { jobAlone } from './alone.ts';
import { mayBegin, newBoard, seat, unseat, type Board, type Seat } from './board.ts';
import { askedJob, Costs, Ends } from './bound-asked.ts';
import { WaySearch } from './bound-job.ts';
import { boundTime, cellFrom, endsFrom, leastCosts, type BoundTime, type Line } from './bound-time.ts';
import { beginAfter, calendarOf, endAfter, stretchEnd, workedBefore, type Calendar } from './calendar.ts';
import { costOfJob, costWhenReady } from './cost.ts';
import { runs } from '../../runs-for-tests.ts';
import { noPrices } from './price-search.ts';
import { job, randomShop, shop, step, worker } from './work-for-tests.ts';

const seeds = fc.integer({ min: 1, max: 1e9 });
/** As many cells as there may be: each as long as plans are fine. */
const FINE = 4000;

/** Prices that fall, rise and are nothing, as they come. */
function anyPrices(t: BoundTime, next: () => number): Float64Array[] {
  return t.lines.map(() => Float64Array.from({ length: t.prices }, () => Math.max(0, next() - 0.2) / 10));
}

/** What the minutes of a line between two places on its axis cost. */
function costBetween({ at }: Line, price: Float64Array, from: number, to: number): number {
  let sum = 0;
  for (let cell = 0; cell + 1 < at.length; cell++) {
    const [a, b] = [at[cell] ?? 0, at[cell + 1] ?? 0];
    sum += (price[cell] ?? 0) * Math.max(0, Math.min(to, b) - Math.max(from, a));
  }
  return sum;
}

test('minutes on end cost the least of all beginnings in a cell, to the minute', () => {
  fc.assert(
    fc.property(seeds, fc.integer({ min: 1, max: 60 }), fc.boolean(), (seed, fives, finely) => {
      const next = seeded(seed);
      const b = newBoard(randomShop(seed, 5, 2, 4));
      const t = boundTime(b, [0], finely ? FINE : 60);
      const prices = anyPrices(t, next);
      const which = Math.floor(next() * t.lines.length);
      const [line, price] = [t.lines[which] as Line, prices[which] as Float64Array];
      const minutes = 5 * fives;
      const least = leastCosts(t, line, minutes, price);
      expect(t.isExact || !finely).toBe(true);
      for (let cell = 0; cell + 1 < t.from.length; cell++) {
        const [from, to] = [line.at[cell] ?? 0, line.at[cell + 1] ?? 0];
        if (to <= from) continue;
        let best = costBetween(line, price, from, from + minutes);
        if (t.isExact) {
          expect(least[cell]).toBeCloseTo(best, 9);
          continue;
        }
        for (let tenth = 1; tenth <= 10; tenth++) {
          const at = from + ((to - from) * tenth) / 10;
          best = Math.min(best, costBetween(line, price, at, at + minutes));
        }
        expect(least[cell]).toBeLessThanOrEqual(best + 1e-9);
        // Between two of ten beginnings the cost changes by no more than a tenth of the cell's dearest.
        expect(least[cell]).toBeGreaterThanOrEqual(best - (to - from) / 10 - 1e-9);
      }
    }),
  );
});

test('what begins in a cell is done no sooner than is said, and in one stretch where it must be', () => {
  fc.assert(
    fc.property(seeds, fc.integer({ min: 1, max: 40 }), fc.boolean(), (seed, fives, whole) => {
      const b = newBoard(randomShop(seed, 5, 3, 4));
      const t = boundTime(b, [0], FINE);
      const line = t.lines[0] as Line;
      const c = line.calendar as Calendar;
      const ends = endsFrom(t, line, 5 * fives, whole);
      const last = t.from.at(-1) ?? 0;
      for (let moment = 0; moment < last; moment += 7) {
        const worked = workedBefore(c, moment);
        if (beginAfter(c, worked) !== moment) continue;
        if (whole && worked + 5 * fives > stretchEnd(c, worked)) continue;
        const end = endAfter(c, worked + 5 * fives);
        expect(ends[cellFrom(t, moment)]).toBeGreaterThanOrEqual(0);
        expect(ends[cellFrom(t, moment)]).toBeLessThanOrEqual(end);
      }
    }),
  );
});

/** Every way of a job whose steps begin at some moments: its cost at some prices. */
function* waysOf(b: Board, t: BoundTime, prices: readonly Float64Array[], id: number): Generator<number> {
  const own = b.ofJob[id] ?? [];
  const open = own.filter((at) => !b.seats[at] && b.steps[at]?.after.every((i) => b.seats[i]));
  if (open.length === 0) {
    let paid = 0;
    for (const at of own) {
      const [s, asked] = [b.seats[at], b.steps[at]];
      if (!s || !asked) continue;
      const line = t.lines[s.worker] as Line;
      paid += costBetween(line, prices[s.worker] as Float64Array, s.worked, s.worked + asked.minutes);
    }
    yield paid + costOfJob(b, id);
    return;
  }
  const from = own.reduce((most, at) => Math.max(most, b.seats[at]?.free ?? 0), 0);
  for (const at of open) {
    const s = b.steps[at] as Board['steps'][number];
    for (const w of s.who) {
      const c = b.calendars[w] as Calendar;
      for (const later of [0, 45, 200, 700]) {
        const worked = workedBefore(c, Math.max(from, mayBegin(b, s))) + later;
        const [start, end] = [beginAfter(c, worked), endAfter(c, worked + s.minutes)];
        if (end > (t.from.at(-1) ?? 0)) continue;
        const free = end + s.step.wait;
        seat(b, at, { worker: w, spot: -1, start, end, hold: end, free, worked } satisfies Seat);
        yield* waysOf(b, t, prices, id);
        unseat(b, at);
      }
    }
  }
}

test('no way of a job is cheaper than the cheapest that is found, at any prices', () => {
  fc.assert(
    fc.property(
      seeds,
      fc.array(fc.record({ fives: fc.integer({ min: 1, max: 30 }), wait: fc.constantFrom(0, 0, 100, 900) }), {
        minLength: 1,
        maxLength: 3,
      }),
      fc.boolean(),
      fc.constantFrom(null, 1, 2),
      fc.boolean(),
      fc.boolean(),
      (seed, made, chain, holder, always, finely) => {
        const next = seeded(seed);
        const steps = made.map((m, i) =>
          step(`${i}`, 5 * m.fives, { wait: m.wait, after: chain && i > 0 ? [`${i - 1}`] : [] }),
        );
        const work = shop(
          [1, 2].map((id) => (always ? worker(id, 2, [{ from: 0, to: 50_000 }]) : worker(id))),
          [
            job(1, steps, { holder, due: 600, hard: next() < 0.3 }),
            ...[2, 3, 4].map((i) => job(i, [step(`o${i}`, 900)])),
          ],
        );
        const b = newBoard(work);
        const t = boundTime(
          b,
          b.ofJob.map((_, j) => j),
          finely ? FINE : 200,
        );
        const prices = anyPrices(t, next);
        const search = new WaySearch(b, t);
        const asked = askedJob(b, t, new Ends(t), 0);
        const way = search.cheapest(asked, new Costs(t, prices), null);
        for (const cost of waysOf(b, t, prices, 0)) expect(way.cost).toBeLessThanOrEqual(cost + 1e-6);
        // Asked again with what was found, and with something worse, it is the same.
        const again = search.cheapest(asked, new Costs(t, prices), way);
        expect(again.cost).toBeCloseTo(way.cost, 9);
        const nothing = noPrices(t.lines.length, t.prices);
        const free = search.cheapest(asked, new Costs(t, nothing), way);
        const least = Math.min(...waysOf(b, t, nothing, 0));
        expect(free.cost).toBeLessThanOrEqual(least + 1e-6);
        // Where nobody ever rests and all begins with cells, it is that to the minute.
        if (always && finely) expect(free.cost).toBeCloseTo(least, 6);
        expect(search.cheapest(asked, new Costs(t, prices), free).cost).toBeCloseTo(way.cost, 9);
      },
    ),
    runs(60, 500),
  );
});

test('where nothing has a price a job costs what it costs alone', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const b = newBoard(randomShop(seed, 6, 3, 8, false));
      const all = b.ofJob.flatMap((own, j) =>
        own.every((at) => (b.steps[at]?.who.length ?? 0) > 0) ? [j] : [],
      );
      if (all.length === 0) return;
      const t = boundTime(b, all, FINE);
      const search = new WaySearch(b, t);
      const costs = new Costs(t, noPrices(t.lines.length, t.prices));
      for (const j of all) {
        const { cost } = search.cheapest(askedJob(b, t, new Ends(t), j), costs, null);
        const alone = costWhenReady(b, j, jobAlone(b, j).finish);
        expect(cost).toBeGreaterThanOrEqual(Math.min(1e6, alone) - 1e-6);
      }
    }),
  );
});

test('a job of so many steps in any order that not every set of them can be looked at is still not dearer than it is', () => {
  const steps = Array.from({ length: 9 }, (_, i) => step(`${i}`, 30 + 5 * i));
  const b = newBoard(shop([worker(1)], [job(1, steps)]));
  const t = boundTime(b, [0], FINE);
  const asked = askedJob(b, t, new Ends(t), 0);
  expect(asked.steps.length).toBeLessThan(9);
  expect(asked.steps.length).toBeGreaterThan(3);
  const { cost } = new WaySearch(b, t).cheapest(
    asked,
    new Costs(t, noPrices(t.lines.length, t.prices)),
    null,
  );
  const c = calendarOf([
    { from: 0, to: 210 },
    { from: 270, to: 540 },
  ]);
  const whole = costWhenReady(
    b,
    0,
    endAfter(
      c,
      steps.reduce((sum, one) => sum + one.minutes.likely, 0),
    ),
  );
  expect(cost).toBeLessThanOrEqual(whole);
  expect(cost).toBeGreaterThan(0.8 * whole);
});
