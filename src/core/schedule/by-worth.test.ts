import fc from 'fast-check';
import { runs } from '../../runs-for-tests.ts';
import { orderByWorth, worthAt, type Worthy } from './by-worth.ts';

/** One after the other, all of them weighed each time. */
function oneByOne(jobs: readonly Worthy[], pace: number, stay: number, presses: number): number[] {
  const left = [...jobs];
  const order: number[] = [];
  for (let at = 0; left.length > 0;) {
    const worths = left.map((own) => worthAt(own, at, stay, presses));
    const [next] = left.splice(worths.indexOf(Math.max(...worths)), 1);
    if (!next) break;
    order.push(next.job);
    at += next.hands / pace;
  }
  return order;
}

const job = fc.record({
  hands: fc.integer({ min: 1, max: 200 }).map((n) => 5 * n),
  due: fc.oneof(fc.integer({ min: -5000, max: 60_000 }), fc.constant(Infinity)),
  late: fc.constantFrom(0, 8, 20, 28, 400),
});

test('the same order as where all are weighed each time', () => {
  fc.assert(
    fc.property(
      fc.array(job, { maxLength: 120 }),
      fc.constantFrom(0.3, 1, 2.5),
      fc.constantFrom(0, 0.05, 2),
      fc.constantFrom(720, 11_520),
      (rows, pace, stay, presses) => {
        const jobs = rows.map((r, i) => ({ job: i, ...r }));
        expect(orderByWorth(jobs, pace, stay, presses)).toEqual(oneByOne(jobs, pace, stay, presses));
      },
    ),
    runs(300, 3000),
  );
});

test('nothing to do, and what is nothing worth, have an order', () => {
  expect(orderByWorth([], 1, 0.05, 720)).toEqual([]);
  const idle = [0, 1, 2].map((n) => ({ job: n, hands: 60, due: Infinity, late: 0 }));
  expect(orderByWorth(idle, 1, 0, 720)).toEqual([0, 1, 2]);
});
