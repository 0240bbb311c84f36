import { newBoard, planOf } from './board.ts';
import { costOf, lateCost } from './cost.ts';
import { findPlan } from './find-plan.ts';
import { firstPlan } from './place.ts';
import { whatBreaks } from './plan-check.ts';
import { pullUp } from './pull-up.ts';
import { expectedLate, surestPlan } from './surest-plan.ts';
import { job, randomShop, shop, step, worker } from './work-for-tests.ts';

test('where all is certain, what is expected to be late is what is late', () => {
  const jobs = [
    job(1, [step('a', 300)], { due: 240, hard: true, promised: 120 }),
    job(2, [step('b', 200)], { due: 300 }),
    job(3, [step('c', 30)]),
  ];
  const b = firstPlan(newBoard(shop([worker(1)], jobs)));
  expect(lateCost(b)).toBeGreaterThan(0);
  expect(expectedLate(b, 7, 1)).toBeCloseTo(lateCost(b), 9);
});

test('a step that may take twice as long makes a date dear that the likely minutes keep', () => {
  const unsure = { minutes: { low: 100, likely: 120, high: 400 } };
  const b = firstPlan(newBoard(shop([worker(1)], [job(1, [step('a', 120, unsure)], { due: 130 })])));
  expect(lateCost(b)).toBe(0);
  expect(expectedLate(b, 200, 1)).toBeGreaterThan(0);
});

test('of several plans it is the one that costs least when luck counts; the same for the same work', () => {
  const seeds = [3, 4, 5];
  let other = 0;
  for (let seed = 1; seed <= 12; seed++) {
    const work = randomShop(seed, 18, 3);
    const surest = surestPlan(work, seeds, 60);
    const each = seeds.map((s) => pullUp(findPlan(work, { seed: s, more: (n) => n < 60 })));
    const costs = each.map((b) => costOf(b) + expectedLate(b, 100, 3));
    expect(costOf(surest) + expectedLate(surest, 100, 3)).toBeCloseTo(Math.min(...costs), 6);
    expect(whatBreaks(work, planOf(surest, 0))).toEqual([]);
    expect(surestPlan(work, seeds, 60).seats).toEqual(surest.seats);
    if (costs.indexOf(Math.min(...costs)) > 0) other++;
  }
  expect(other).toBeGreaterThan(2);
});
