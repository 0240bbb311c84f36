import fc from 'fast-check';
import {
  after,
  asideOf,
  freeOf,
  MOVES,
  NOTHING,
  replayed,
  sayTrouble,
  usedOf,
  type MoveKind,
  type StockMove,
} from './ledger.ts';

const move = fc.record({
  kind: fc.constantFrom(...(Object.keys(MOVES) as MoveKind[])),
  quantity: fc.integer({ min: 0, max: 900 }).map((n) => n / 100),
  job: fc.option(fc.integer({ min: 1, max: 3 }), { nil: null }),
});
const did = (...moves: StockMove[]) => replayed(moves);
const m = (kind: MoveKind, quantity: number, job: number | null = null): StockMove => ({
  kind,
  quantity,
  job,
});

test('whatever happens in whatever order: never less than nothing, never more set aside than there is', () => {
  fc.assert(
    fc.property(fc.array(move, { maxLength: 40 }), (moves) => {
      let level = NOTHING;
      for (const x of moves) {
        const next = after(level, x);
        if (next.ok) level = next.value;
        expect(level.onHand).toBeGreaterThanOrEqual(0);
        expect(freeOf(level)).toBeGreaterThanOrEqual(0);
        expect([...level.aside.values()].every((n) => n > 0)).toBe(true);
      }
      expect(replayed(moves)).toEqual(level);
    }),
  );
});

test('what is on hand is what came less what went, from the last count on', () => {
  fc.assert(
    fc.property(fc.array(move, { maxLength: 40 }), (moves) => {
      let level = NOTHING;
      let sum = 0;
      for (const x of moves) {
        const next = after(level, x);
        if (!next.ok) continue;
        level = next.value;
        if (x.kind === 'counted') sum = Math.round(x.quantity * 100);
        else if (x.kind === 'received' || x.kind === 'returned') sum += Math.round(x.quantity * 100);
        else if (x.kind === 'used' || x.kind === 'broken') sum -= Math.round(x.quantity * 100);
      }
      expect(Math.round(level.onHand * 100)).toBe(sum);
    }),
  );
});

test('nothing is set aside twice, and what waits for one job is not taken for another', () => {
  const two = did(m('received', 2), m('set-aside', 1, 7), m('set-aside', 1, 8));
  expect(after(two, m('set-aside', 1, 9))).toMatchObject({
    ok: false,
    error: { code: 'none free', free: 0, aside: 2 },
  });
  expect(after(two, m('used', 1, 9))).toMatchObject({ ok: false, error: { code: 'none free' } });
  expect(after(two, m('used', 1, 7))).toEqual({ ok: true, value: { onHand: 1, aside: new Map([[8, 1]]) } });
});

test('a job takes what waits for it first, then what is free; what it lets go is free again', () => {
  const level = did(m('received', 5), m('set-aside', 2, 7), m('used', 3, 7));
  expect(level).toEqual({ onHand: 2, aside: new Map() });
  expect(freeOf(did(m('received', 3), m('set-aside', 2, 7), m('released', 1, 7)))).toBe(2);
  expect(after(did(m('received', 3)), m('released', 1, 7))).toMatchObject({
    error: { code: 'not set aside' },
  });
});

test('what a job used is what it took less what it put back', () => {
  const of = (item: number, kind: MoveKind, quantity: number) => ({ item, kind, quantity });
  const used = usedOf([
    of(1, 'used', 2),
    of(2, 'used', 0.3),
    of(1, 'returned', 1),
    of(2, 'returned', 0.3),
    of(3, 'broken', 1),
  ]);
  expect(used).toEqual(new Map([[1, 1]]));
});

test('a count puts it right: who asked first keeps theirs', () => {
  const level = did(m('received', 5), m('set-aside', 2, 7), m('set-aside', 2, 8), m('counted', 3));
  expect(level).toEqual({
    onHand: 3,
    aside: new Map([
      [7, 2],
      [8, 1],
    ]),
  });
  expect(asideOf(did(m('received', 5), m('set-aside', 2, 7), m('counted', 0)))).toBe(0);
});

test('no number that is none, no part of a hundredth', () => {
  for (const quantity of [0, -1, Number.NaN, Infinity, 0.005])
    expect(after(NOTHING, m('received', quantity))).toMatchObject({ error: { code: 'no such number' } });
  expect(after(NOTHING, m('counted', 0)).ok).toBe(true);
});

test.each([
  [{ code: 'none free', free: 0, aside: 2 }, 'None of the 2 sets is free: 2 wait for other jobs.'],
  [{ code: 'none free', free: 1, aside: 1 }, 'Only 1 of the 2 sets is free: 1 waits for other jobs.'],
  [{ code: 'none free', free: 0, aside: 1 }, 'The only one there waits for another job.'],
  [{ code: 'none free', free: 0, aside: 0 }, 'None is there.'],
  [{ code: 'not so many', onHand: 0 }, 'The shelf says none is there. If one is, count it.'],
  [
    { code: 'not so many', onHand: 2 },
    'The shelf says only 2 sets are there. If there are more, count them.',
  ],
  [{ code: 'not set aside', aside: 0 }, 'None is set aside for that job.'],
] as const)('%o is said in words', (trouble, says) => {
  expect(sayTrouble(trouble, 'sets')).toBe(says);
});
