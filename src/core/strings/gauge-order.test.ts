import fc from 'fast-check';
import { KINDS } from '../instrument/kinds.ts';
import { usualConstruction } from '../instrument/defaults.ts';
import { STRING_SETS } from './string-sets.ts';
import { thinFirst } from './gauge-order.ts';

const about = (sizes: readonly number[]) => thinFirst(sizes.map(String), sizes);

test.each([...KINDS])('nothing is said of the usual strings of %s', (kind) => {
  const sizes = usualConstruction(kind).strings.map((s) => s.gauge);
  expect(about(sizes)).toBeNull();
});

test('nothing is said of any set that is sold', () => {
  for (const set of STRING_SETS)
    expect([set.id, about(set.strings.map((s) => s.gauge))]).toEqual([set.id, null]);
});

test('two strings, or strings that are all alike, are not questioned', () => {
  expect(about([10, 20])).toBeNull();
  expect(about([10, 10, 10])).toBeNull();
});

test('whatever never grows thinner is turned round, as it was typed; one that does anywhere is left', () => {
  const sizes = fc.array(fc.integer({ min: 6, max: 150 }), { minLength: 3, maxLength: 12 });
  fc.assert(
    fc.property(sizes, (some) => {
      const rising = some.toSorted((a, b) => a - b);
      const same = rising[0] === rising.at(-1);
      expect(about(rising)).toBe(
        same
          ? null
          : `Lowest string first: these begin with the thinnest. Turned round: ${rising.toReversed().join(' ')}.`,
      );
      if (some.some((g, i) => i > 0 && g < (some[i - 1] ?? g))) expect(about(some)).toBeNull();
    }),
  );
});
