import { newBoard, planOf } from './board.ts';
import { finishOf } from './cost.ts';
import { firstPlan, replan } from './place.ts';
import { whatBreaks } from './plan-check.ts';
import { pullUp } from './pull-up.ts';
import { job, randomShop, shop, step, worker } from './work-for-tests.ts';

const DUE = 2 * 1440 + 540;
const at = (start: number) => ({ worker: 1, spot: null, start });
const standing = (more: object = {}, due: number | null = DUE) =>
  replan(
    newBoard(
      shop([worker(1)], [job(1, [step('a', 120, more)], { due }), job(2, [step('b', 120)])], {
        before: { a: at(2 * 1440 + 60), b: at(0) },
      }),
    ),
  );
const starts = (b: ReturnType<typeof standing>) => b.seats.map((s) => s?.start);

test('what is ready on the last day before it is wanted moves up into room there is; all else stays', () => {
  const b = standing();
  expect(starts(b)).toEqual([2 * 1440 + 60, 0]);
  expect(starts(pullUp(b))).toEqual([120, 0]);
  // The plan it was made of is as it was.
  expect(starts(b)).toEqual([2 * 1440 + 60, 0]);
});

test('what has days to spare, is wanted on no day, was put there, or has no room sooner, stays', () => {
  for (const b of [
    standing({}, 9 * 1440),
    standing({}, null),
    standing({ pin: 2 * 1440 + 60 }),
    standing({ waits: { for: 'word', until: { low: 2900, likely: 2 * 1440 + 60, high: 5000 } } }),
  ])
    expect(pullUp(b)).toBe(b);
});

test('in any shop nobody is ready later by it, and the plan can be done', () => {
  let moved = 0;
  for (let seed = 1; seed <= 120; seed++) {
    const b = firstPlan(newBoard(randomShop(seed, 12, 3)));
    const late = replan(
      newBoard({
        ...b.work,
        before: Object.fromEntries(
          b.steps.flatMap((s) => {
            const own = b.seats[s.at];
            const worker = own && b.work.workers[own.worker];
            const spot = own && b.work.spots[own.spot];
            return own && worker
              ? [[s.step.id, { worker: worker.id, spot: spot?.id ?? null, start: own.start + 1440 }]]
              : [];
          }),
        ),
      }),
    );
    const up = pullUp(late);
    expect(whatBreaks(up.work, planOf(up, 0))).toEqual([]);
    for (const j of up.ofJob.keys()) {
      const [is, was] = [finishOf(up, j) ?? Infinity, finishOf(late, j) ?? Infinity];
      expect(is).toBeLessThanOrEqual(was);
      if (is < was) moved++;
    }
  }
  expect(moved).toBeGreaterThan(20);
});
