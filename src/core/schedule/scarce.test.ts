import { newBoard } from './board.ts';
import { costOf } from './cost.ts';
import { firstPlan } from './place.ts';
import { queuesOf, takesOf } from './scarce.ts';
import { job, shop, step, worker } from './work-for-tests.ts';

const always = [{ from: 0, to: 100_000 }];
const jig = { id: 'jig', name: 'neck jig', kind: 'neck-jig', out: [] };

test('how long jobs wait for hands of each skill and for places, by closed form', () => {
  const work = shop(
    [worker(1, 0, always), worker(2, 2, always)],
    [
      job(1, [step('any', 60), step('hard', 30, { skill: 2 })]),
      job(2, [step('held', 20, { place: 'neck-jig', holds: true, wait: 500 })]),
      job(3, [step('rests', 10, { place: 'neck-jig', wait: 500 })]),
    ],
    { spots: [jig] },
  );
  const queues = queuesOf(newBoard(work));
  // Two have all hands, one has skill, there is one jig: what rests outside of it does not take it.
  expect(queues.map(({ ofJob }) => ofJob)).toEqual([
    [45, 10, 5],
    [30, 0, 0],
    [0, 520, 10],
  ]);
  expect(queues.map(({ all }) => all)).toEqual([60, 30, 530]);
  expect([...takesOf(queues, 3, 0)]).toEqual([75, 530, 15]);
  const [first = 0, second] = takesOf(queues, 3, 16);
  expect(first).toBeLessThan(1e-9);
  expect(second).toBeCloseTo(520, 6);
  expect([...takesOf([], 2, 1)]).toEqual([0, 0]);
});

test('who needs the one jig for days comes after those who need it for minutes, whoever has fewer minutes of hands', () => {
  const long = job(1, [step('long', 5, { place: 'neck-jig', holds: true, wait: 4000 })]);
  const short = [2, 3, 4].map((id) => job(id, [step(`${id}`, 60, { place: 'neck-jig' })]));
  const work = shop([worker(1), worker(2)], [long, ...short], { spots: [jig] });
  const b = firstPlan(newBoard(work));
  expect(b.seats.map((s) => s?.start)).toEqual([180, 0, 60, 120]);
  expect(costOf(b)).toBeCloseTo((work.weights.stay * (4185 + 60 + 120 + 180)) / 60, 9);
});
