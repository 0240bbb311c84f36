import fc from 'fast-check';
import { runs } from '../../runs-for-tests.ts';
import { TurnQueue } from './turn-queue.ts';

/** Adds a step, perhaps one that can be done sooner, or takes the next one out. */
const acts = fc.array(
  fc.oneof(
    fc.record({ node: fc.integer({ min: 0, max: 19 }), sooner: fc.boolean() }),
    fc.constant('next' as const),
  ),
  { maxLength: 80 },
);

test('whose turn is the soonest comes out first, of equal ones the first, each once; and it is known how many can be sooner', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 8 }), { minLength: 20, maxLength: 20 }),
      acts,
      (turns, all) => {
        const queue = new TurnQueue(Float64Array.from(turns));
        const waits = new Map<number, boolean>();
        for (const act of all) {
          if (act === 'next') {
            const first = [...waits.keys()].sort((x, y) => (turns[x] ?? 0) - (turns[y] ?? 0) || x - y)[0];
            expect(queue.next()).toBe(first ?? -1);
            if (first !== undefined) waits.delete(first);
          } else {
            queue.add(act.node, act.sooner);
            waits.set(act.node, act.sooner || waits.get(act.node) === true);
          }
          expect(queue.sooner).toBe([...waits.values()].filter(Boolean).length);
        }
        queue.clear();
        expect([queue.next(), queue.sooner]).toEqual([-1, 0]);
      },
    ),
    runs(200, 4000),
  );
});
