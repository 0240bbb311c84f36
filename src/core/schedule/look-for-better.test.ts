import { copyBoard, newBoard } from './board.ts';
import { lowerBound, standingIn } from './bound.ts';
import { costOf } from './cost.ts';
import { improve } from './improve.ts';
import { lookForBetter, type WorkToSearch } from './look-for-better.ts';
import { firstPlan } from './place.ts';
import { toEnd } from '../to-end.ts';
import { job, randomShop, shop, step, worker } from './work-for-tests.ts';

const asked = (of: ReturnType<typeof firstPlan>): WorkToSearch =>
  // As it comes over the wire.
  JSON.parse(
    JSON.stringify({ work: of.work, seats: of.seats, from: Date.UTC(2026, 10, 30, 9), draws: 60, seed: 7 }),
  ) as WorkToSearch;

test('it says how far it is, and comes to what the search itself comes to', () => {
  const holds = firstPlan(newBoard(randomShop(5, 10)));
  const better = copyBoard(holds);
  const tries = improve(better, { seed: 7, passed: (n) => n / 300 });
  const was = costOf(holds);
  const said = lookForBetter(asked(holds), (n) => n / 300);
  let last = { tries: 0, better: 0 };
  let next = said.next();
  for (; !next.done; next = said.next()) {
    expect(next.value.better).toBeGreaterThanOrEqual(last.better);
    last = next.value;
  }
  expect(last.tries).toBe(tries - 1);
  expect(last.better).toBeCloseTo(1 - costOf(better) / was, 3);
  const cost = costOf(better);
  expect(next.value.gap).toBeCloseTo((cost - lowerBound(holds.work, cost, standingIn(holds))) / cost, 9);
  const seats = new Map(better.steps.map((s) => [s.step.id, better.seats[s.at]]));
  expect(next.value.moved.length).toBeGreaterThan(0);
  for (const m of next.value.moved) {
    const s = seats.get(m.step);
    expect(m.is?.start).toBe(Date.UTC(2026, 10, 30, 9) + (s?.start ?? NaN) * 60_000);
    expect(m.is?.worker).toBe(better.work.workers[s?.worker ?? -1]?.id);
  }
});

test('where the plan is the best there is, nothing moves; stopped at once, it is the one that holds', () => {
  const one = firstPlan(newBoard(shop([worker(1)], [job(1, [step('a', 60)]), job(2, [step('b', 30)])])));
  const found = toEnd(lookForBetter(asked(one), (n) => n / 50));
  expect(found).toMatchObject({ moved: [], jobs: [] });
  expect(found.gap).toBeLessThan(0.5);
  const many = firstPlan(newBoard(randomShop(5, 10)));
  expect(toEnd(lookForBetter(asked(many), () => 1))).toMatchObject({ moved: [], jobs: [] });
});

test('how far from the best it may be is said of what is known by the end of the time, and always is something', () => {
  const holds = firstPlan(newBoard(randomShop(5, 40)));
  const cost = costOf(holds);
  const gapBy = (passed: () => number): number => toEnd(lookForBetter(asked(holds), passed)).gap ?? NaN;
  const whole = gapBy(() => 1);
  expect(whole).toBeCloseTo((cost - lowerBound(holds.work, cost, standingIn(holds))) / cost, 9);
  const atOnce = gapBy(() => 2);
  expect(atOnce).toBeLessThan(1);
  let asks = 0;
  const between = gapBy(() => (asks++ < 40 ? 1 : 2));
  expect(between).toBeLessThan(atOnce);
  expect(between).toBeGreaterThan(whole);
});

test('a shop without work has a plan that nothing is better than', () => {
  expect(toEnd(lookForBetter(asked(firstPlan(newBoard(shop([worker(1)], [])))), (n) => n / 5))).toEqual({
    moved: [],
    jobs: [],
    gap: 0,
  });
});
