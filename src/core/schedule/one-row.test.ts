import fc from 'fast-check';
import { breath, runs } from '../../runs-for-tests.ts';
import { seeded } from '../seeded.ts';
import { toEnd } from '../to-end.ts';
import { newBoard, planOf, type Board, type Seat } from './board.ts';
import { boardWith } from './bound.ts';
import { costOf } from './cost.ts';
import { improving } from './improve.ts';
import { fixedSteps, firstPlan } from './place.ts';
import { whatBreaks } from './plan-check.ts';
import { Row } from './one-row.ts';
import { RowMoves } from './row-moves.ts';
import { RowSearch, rowOf, searchingRow } from './row-search.ts';
import type { ShopWork } from './shop-work.ts';
import { job, randomShop, shop, step, worker } from './work-for-tests.ts';

/** A plan of a shop, and perhaps one that stood before it. */
function planned(seed: number, jobs: number, tight: boolean, stood: boolean): Board {
  const work = randomShop(seed, jobs, 4, 16, tight);
  if (!stood) return firstPlan(newBoard(work));
  const was = planOf(firstPlan(newBoard({ ...work, workers: work.workers.slice(1) })), 0);
  const before = Object.fromEntries(was.steps.map((s) => [s.step, s]));
  return firstPlan(newBoard({ ...work, before }));
}

test('a plan as a row is a plan, of the same cost as on a board, and what is held stands where it stood', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 1, max: 1e9 }),
      fc.integer({ min: 1, max: 30 }),
      fc.boolean(),
      fc.boolean(),
      async (seed, jobs, tight, stood) => {
        const b = planned(seed, jobs, tight, stood);
        const row = new Row(b, fixedSteps(b));
        const same = boardWith(b.work, row.seats);
        if (!fixedSteps(b).includes(true) && !b.seats.includes(null))
          expect(row.cost).toBeCloseTo(costOf(same), 6);
        expect(whatBreaks(b.work, planOf(same, 0))).toEqual([]);
        fixedSteps(b).forEach((is, at) => is && expect(same.seats[at]).toEqual(b.seats[at]));
        await breath();
      },
    ),
    runs(25, 1500),
  );
});

test('whatever is moved in it, in whatever order: it stands as if made anew, costs what that costs, and can be done', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 1, max: 1e9 }),
      fc.integer({ min: 2, max: 30 }),
      fc.boolean(),
      fc.boolean(),
      async (seed, jobs, tight, stood) => {
        const b = planned(seed, jobs, tight, stood);
        const row = rowOf(b);
        // What is held costs the same throughout.
        const beside = costOf(boardWith(b.work, row.seats)) - row.cost;
        const search = new RowSearch(row, seeded(seed), 10);
        for (let n = 0; n < 40; n++) {
          const { cost } = row;
          for (let i = 0; i < 5; i++) search.try(n % 2 === 0 ? 2 : 0);
          const now = boardWith(b.work, row.seats);
          expect(row.cost + beside).toBeCloseTo(costOf(now), 6);
          if (n % 2 === 1) expect(row.cost).toBeLessThanOrEqual(cost + 1e-9);
          if (row.cost === cost && n % 2 === 1) continue;
          expect(whatBreaks(b.work, planOf(now, 0))).toEqual([]);
          // Made anew from its beginning it stands the same.
          row.standAll();
          expect(boardWith(b.work, row.seats).seats).toEqual(now.seats);
        }
        // With turns by when each begins it is a plan still, of the cost that is said.
        row.renumber();
        const then = boardWith(b.work, row.seats);
        expect(row.cost + beside).toBeCloseTo(costOf(then), 6);
        expect(whatBreaks(b.work, planOf(then, 0))).toEqual([]);
        await breath();
      },
    ),
    // A place another had last, whose own last step was moved up: what stood there next can be sooner.
    { ...runs(20, 800), examples: [[362142117, 24, true, false]] },
  );
});

test('the whole search of any shop: a plan that can be done, never dearer, of the cost that is said, and nothing that is held moves', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 1, max: 1e9 }),
      fc.integer({ min: 1, max: 50 }),
      fc.boolean(),
      fc.boolean(),
      async (seed, jobs, tight, stood) => {
        const b = planned(seed, jobs, tight, stood);
        const [was, cost] = [[...b.seats], costOf(b)];
        let least = cost;
        for (const said of improving(b, { seed, passed: (n) => n / 200 })) {
          expect(said.least).toBeLessThanOrEqual(least + 1e-9);
          ({ least } = said);
        }
        expect(costOf(b)).toBeLessThanOrEqual(least + 1e-6);
        expect(whatBreaks(b.work, planOf(b, 0))).toEqual([]);
        for (const { at, step: s } of b.steps)
          if (s.pin !== null || s.running) expect(b.seats[at]).toEqual(was[at]);
        await breath();
      },
    ),
    runs(12, 300),
  );
});

test('what is taken back leaves everything as it was', () => {
  const b = planned(7, 25, true, true);
  const row = new Row(b, fixedSteps(b));
  const moves = new RowMoves(row, seeded(3));
  for (let n = 0; n < 300; n++) {
    const was = row.seats;
    const turns = { turn: row.order.turn.slice(), hand: row.order.hand.slice() };
    if (!moves.any()) continue;
    row.standAgain(n % 3 === 0 ? 0 : Infinity);
    row.undo();
    expect(row.seats).toEqual(was);
    expect({ turn: row.order.turn, hand: row.order.hand }).toEqual(turns);
  }
});

/** Three jobs one after the other, the longest first, with one person. */
const longestFirst = (): { work: ShopWork; b: Board } => {
  const work = shop(
    [worker(1)],
    [120, 60, 30].map((minutes, i) => job(i + 1, [step(`${i}`, minutes)])),
  );
  const b = boardWith(
    work,
    [0, 120, 180].map((start, i) => {
      const end = [120, 180, 210][i] ?? 0;
      return { worker: 0, spot: -1, start, end, hold: end, free: end, worked: start };
    }),
  );
  return { work, b };
};

test('what is moved to the front moves back what stood there, and what stood behind both stays', () => {
  const { b, work } = longestFirst();
  const row = new Row(b, fixedSteps(b));
  // One is done two hours sooner, the other one hour later.
  row.take(1);
  row.put(1, 0, -1, row.order.lastBefore(0, -1));
  const more = row.standAgain(Infinity);
  expect(row.seats.map((s) => s?.start)).toEqual([60, 0, 180]);
  expect(more).toBeCloseTo((work.weights.stay * (60 - 120)) / 60, 9);
});

test('the shortest go first where nothing else counts: the best there is, by closed form', () => {
  const { b, work } = longestFirst();
  const found = { tries: 0, effort: 0, least: costOf(b), best: [...b.seats] };
  toEnd(searchingRow(b, 1, seeded(1), found, (n) => n / 20));
  expect(found.best.map((s) => s?.start)).toEqual([90, 30, 0]);
  expect(found.least).toBeCloseTo((work.weights.stay * (30 + 90 + 210)) / 60, 9);
  expect(b.seats.map((s) => s?.start)).toEqual([0, 120, 180]);
});

test('what comes before something that stands is moved as everything is, and is done by then', () => {
  const work = shop(
    [worker(1)],
    [
      job(1, [step('a', 60), step('b', 30, { after: ['a'], pin: 300 })]),
      job(2, [step('c', 60)], { due: 60, hard: true }),
      job(3, [step('d', 120)], { due: 180 }),
    ],
  );
  const standing = (at: number, start: number, end: number): Seat => ({
    worker: 0,
    spot: -1,
    start,
    end,
    hold: end,
    free: end,
    worked: at,
  });
  // Steps are numbered a, b, c, d; the pause is from 210 to 270.
  const b = boardWith(work, [
    standing(0, 0, 60),
    standing(240, 300, 330),
    standing(60, 60, 120),
    standing(270, 330, 450),
  ]);
  const found = { tries: 0, effort: 0, least: costOf(b), best: [...b.seats] };
  toEnd(searchingRow(b, 1, seeded(1), found, (n) => n / 20));
  expect(found.best.map((s) => s?.start)).toEqual([180, 300, 0, 60]);
  expect(whatBreaks(work, planOf(boardWith(work, found.best), 0))).toEqual([]);
});

test('it is told to end, and a shop without work has nothing to move', () => {
  const { b } = longestFirst();
  const found = { tries: 0, effort: 0, least: costOf(b), best: [...b.seats] };
  toEnd(searchingRow(b, 1, seeded(1), found, () => 1));
  expect(found.tries).toBe(0);
  const empty = newBoard(shop([worker(1)], []));
  toEnd(searchingRow(empty, 0, seeded(1), { ...found, best: [] }, (n) => n));
  expect(new Row(empty, []).seats).toEqual([]);
});
