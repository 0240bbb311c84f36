import fc from 'fast-check';
import { noPrices, PriceSearch } from './price-search.ts';

const tops = fc.array(fc.double({ min: 0, max: 5, noNaN: true }), { minLength: 1, maxLength: 4 });

test('where a value falls off on all sides it comes near the top, whatever is known above it, and no price is below nothing', () => {
  fc.assert(
    fc.property(tops, fc.double({ min: 0, max: 50, noNaN: true }), (top, above) => {
      const search = new PriceSearch(noPrices(top.length, 1), { groupOf: top.map((_, i) => i), parts: 1 });
      let best = -Infinity;
      for (let round = 0; round < 600; round++) {
        const away = top.map((one, i) => one - (search.prices[i]?.[0] ?? 0));
        const value = 10 - away.reduce((sum, d) => sum + d * d, 0);
        best = Math.max(best, value);
        const over = away.map((d) => Float64Array.of(2 * d));
        if (!search.goOn(value, over, 10 + above)) break;
      }
      expect(best).toBeGreaterThan(10 - 0.3);
      expect(Math.min(...search.bestPrices.map((line) => line[0] ?? 0))).toBeGreaterThanOrEqual(0);
    }),
  );
});

test('lines of one group move together, and stretches between two moments evenly', () => {
  const search = new PriceSearch(
    [Float64Array.of(5, 5, 5, 5, 5), Float64Array.of(5, 5, 5, 5, 5), Float64Array.of(1, 1, 1, 1, 1)],
    { groupOf: [0, 0, 1], parts: 2 },
  );
  const asked = [Float64Array.of(0, 0, 0, 0, 4), new Float64Array(5), new Float64Array(5)];
  expect(search.goOn(100, asked, 1000)).toBe(true);
  const [first, second, third] = search.prices.map((line) => [...line]);
  expect(first).toEqual(second);
  expect(third).toEqual([1, 1, 1, 1, 1]);
  expect(first?.slice(0, 3)).toEqual([5, 5, 5]);
  const [half = 0, whole = 0] = first?.slice(3) ?? [];
  expect(half).toBeGreaterThan(5);
  expect(whole - 5).toBeCloseTo(2 * (half - 5), 9);
});

test('where nothing is asked for too much or too little it ends', () => {
  const search = new PriceSearch(noPrices(1, 3), { groupOf: [0], parts: 2 });
  expect(search.goOn(1, [new Float64Array(3)], 2)).toBe(false);
});
