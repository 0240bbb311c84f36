import fc from 'fast-check';
import { runs } from '../../runs-for-tests.ts';
import { readPercent, sayPercent } from './percent.ts';

test.each([
  ['20', 0.2],
  ['7,7', 0.077],
  ['7.7 %', 0.077],
  ['0', 0],
  ['100', 1],
  ['8.875', 0.08875],
  ['101', null],
  ['-1', null],
  ['a fifth', null],
  ['', null],
])('%s is %s', (typed, share) => {
  expect(readPercent(typed)).toBe(share);
});

test('property: what is said is read again as it was', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 100_000 }), (n) => {
      expect(readPercent(sayPercent(n / 100_000))).toBe(n / 100_000);
    }),
    runs(500),
  );
});
