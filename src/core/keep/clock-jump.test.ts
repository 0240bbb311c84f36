import fc from 'fast-check';
import { clockJump } from './clock-jump.ts';

const MINUTE = 60_000;

test.each([
  ['an hour back', -60 * MINUTE],
  ['an hour forward', 60 * MINUTE],
  ['a year forward', 365 * 24 * 60 * MINUTE],
])('%s is found, however long it ran between', (_, by) => {
  fc.assert(
    fc.property(fc.nat(10 * MINUTE), fc.nat(1e9), (ran, begun) => {
      const before = { wall: 1e12, running: begun };
      expect(clockJump(before, { wall: 1e12 + ran + by, running: begun + ran })).toBe(by);
    }),
  );
});

test('a clock that only runs, or is drawn to the right time by and by, was not set', () => {
  fc.assert(
    fc.property(fc.nat(1e9), fc.integer({ min: -29_000, max: 29_000 }), (ran, drawn) => {
      expect(clockJump({ wall: 0, running: 0 }, { wall: ran + drawn, running: ran })).toBe(0);
    }),
  );
});
