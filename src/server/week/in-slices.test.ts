import { newBoard, planOf } from '../../core/schedule/board.ts';
import { costOf } from '../../core/schedule/cost.ts';
import { improving } from '../../core/schedule/improve.ts';
import { firstPlan } from '../../core/schedule/place.ts';
import { whatBreaks } from '../../core/schedule/plan-check.ts';
import { randomShop } from '../../core/schedule/work-for-tests.ts';
import { inSlices, NobodyWaits } from './in-slices.ts';

/** So many pieces of a millisecond each. */
function* pieces(many: number): Generator<number, string> {
  for (let n = 0; n < many; n++) {
    const until = performance.now() + 1;
    while (performance.now() < until);
    yield n;
  }
  return 'done';
}

test('others go on meanwhile, and it comes to its end', async () => {
  let others = 0;
  let over = false;
  const beside = (): void => {
    others++;
    if (!over) setImmediate(beside);
  };
  setImmediate(beside);
  expect(await inSlices(pieces(120))).toBe('done');
  over = true;
  expect(others).toBeGreaterThan(3);
});

test('what nobody waits for ends, and a plan it was at is whole and no dearer', async () => {
  const work = randomShop(3, 30);
  const b = firstPlan(newBoard(work));
  const before = costOf(b);
  const stop = new AbortController();
  let tries = 0;
  const search = improving(b, { seed: 1, more: () => ++tries < 1e9 });
  setTimeout(() => stop.abort(), 60);
  await expect(inSlices(search, stop.signal)).rejects.toThrow(NobodyWaits);
  expect(tries).toBeGreaterThan(0);
  expect(costOf(b)).toBeLessThanOrEqual(before + 1e-6);
  expect(whatBreaks(work, planOf(b, costOf(b)))).toEqual([]);
});
