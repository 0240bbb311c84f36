import fc from 'fast-check';
import { runs } from '../../runs-for-tests.ts';
import { seeded } from '../seeded.ts';
import { RowOrder } from './row-order.ts';

const PEOPLE = 3;
const STEPS = 12;

/** Everybody's steps, along the chain and back. */
function chains(order: RowOrder): number[][] {
  return Array.from({ length: PEOPLE }, (_, w) => {
    const end = STEPS + w;
    const there: number[] = [];
    for (let at = order.after[end] as number; at < STEPS; at = order.after[at] as number) there.push(at);
    const back: number[] = [];
    for (let at = order.before[end] as number; at < STEPS; at = order.before[at] as number) back.unshift(at);
    expect(back).toEqual(there);
    return there;
  });
}

/** The same, sorted. */
const sorted = (turn: readonly number[], hand: readonly number[]): number[][] =>
  Array.from({ length: PEOPLE }, (_, w) =>
    [...turn.keys()].filter((node) => hand[node] === w).sort((x, y) => (turn[x] ?? 0) - (turn[y] ?? 0)),
  );

test('whatever is moved, kept or taken back: everybody’s steps stand in their turn, and are found where they stand', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1e9 }), (seed) => {
      const next = seeded(seed);
      const some = (of: number): number => Math.floor(next() * of);
      const turn = Array.from({ length: STEPS }, (_, node) => node);
      const hand = turn.map(() => some(PEOPLE));
      const order = new RowOrder(PEOPLE, Float64Array.from(turn), Int32Array.from(hand));
      for (let n = 0; n < 30; n++) {
        const [turnNow, handNow] = [[...turn], [...hand]];
        const moved = [...new Set(Array.from({ length: 1 + some(3) }, () => some(STEPS)))];
        // All out first, or each put somewhere before the next is taken out.
        const allFirst = next() < 0.5;
        if (allFirst) for (const node of moved) order.take(node);
        for (const node of moved) {
          if (!allFirst) order.take(node);
          const [to, at] = [some(PEOPLE), STEPS * next()];
          order.put(node, to, at, order.lastBefore(to, at));
          [turnNow[node], handNow[node]] = [at, to];
        }
        expect(chains(order)).toEqual(sorted(turnNow, handNow));
        if (next() < 0.5) {
          order.undo();
          order.keep();
        } else {
          order.keep();
          moved.forEach((node) => {
            [turn[node], hand[node]] = [turnNow[node] ?? 0, handNow[node] ?? 0];
          });
        }
        const lines = sorted(turn, hand);
        expect(chains(order)).toEqual(lines);
        const [person, moment] = [some(PEOPLE), STEPS * next()];
        const line = lines[person] ?? [];
        const before = line.filter((node) => (turn[node] ?? 0) < moment);
        expect(order.count(person)).toBe(line.length);
        expect(order.countBefore(person, moment)).toBe(before.length);
        expect(order.stepAt(person, before.length)).toBe(line[before.length] ?? -1);
        expect(order.lastBefore(person, moment)).toBe(before.at(-1) ?? STEPS + person);
      }
    }),
    runs(60, 1500),
  );
});

test('turns made anew leave everybody’s order; where two are too near each other they should be', () => {
  const order = new RowOrder(1, Float64Array.from([5, 2, 9]), Int32Array.from([0, 0, 0]));
  expect(order.hasRoom(2, 5)).toBe(true);
  expect(order.isNarrow).toBe(false);
  expect(order.hasRoom(2, 2 + 1e-9)).toBe(false);
  expect(order.isNarrow).toBe(true);
  order.renumber(Float64Array.from([60, 0, 90]));
  expect([...order.turn]).toEqual([1, 0, 2]);
  expect(order.isNarrow).toBe(false);
  expect(order.stepAt(0, 2)).toBe(2);
});
