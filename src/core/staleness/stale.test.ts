import fc from 'fast-check';
import { settledAt, staleReasons, unrestedBy } from './stale.ts';

const MIN = 60_000;
const read = (takenAt: number) => ({ quantity: 'relief' as const, takenAt });
const done = (wait: number, at = 0) => ({ title: 'Work', stale: ['relief'] as const, at, wait });

test.each([
  ['in the minutes of a rod: it stands, and says so', 10, 2, null],
  ['in an hour of glue: read again', 60, 2, 'Work, not rested yet'],
  ['in the last minute of a week', 7 * 1440, 7 * 1440 - 1, 'Work, not rested yet'],
  ['when the week is over', 7 * 1440, 7 * 1440, null],
  ['before the work', 60, -2, 'Work'],
])('a reading taken %s', (_, wait, after, because) => {
  const operations = [done(wait)];
  expect(staleReasons([read(after * MIN)], operations)[0]?.because ?? null).toBe(because);
  const isUnrested = after > 0 && after < wait;
  expect(unrestedBy(read(after * MIN), operations)).toEqual(
    isUnrested ? { title: 'Work', at: 0, until: wait * MIN } : null,
  );
});

test('what was kept together with a turn was read after it, nobody knows how long', () => {
  expect(unrestedBy(read(1), [done(10)])).toBeNull();
});

test('what it does not move may be read meanwhile', () => {
  const action = { quantity: 'action' as const, takenAt: 5 * MIN };
  expect([staleReasons([action], [done(1440)])[0], unrestedBy(action, [done(1440)])]).toEqual([null, null]);
});

test('the one that rests longest is said; a longer rest never makes a reading hold', () => {
  const minutes = fc.integer({ min: 0, max: 3000 });
  fc.assert(
    fc.property(fc.array(fc.tuple(minutes, minutes), { maxLength: 5 }), minutes, minutes, (all, at, more) => {
      const operations = all.map(([begun, wait]) => done(wait, begun * MIN));
      const longer = operations.map((o) => ({ ...o, wait: o.wait + more }));
      const r = read(at * MIN);
      const found = unrestedBy(r, operations);
      const ends = operations.filter((o) => o.at < r.takenAt && r.takenAt < settledAt(o)).map(settledAt);
      expect(found?.until ?? null).toBe(ends.length === 0 ? null : Math.max(...ends));
      if (staleReasons([r], operations)[0] !== null) expect(staleReasons([r], longer)[0]).not.toBeNull();
    }),
  );
});
