import fc from 'fast-check';
import { momentsOf, noPrices, PriceSearch } from './price-search.ts';

const tops = fc.array(fc.double({ min: 0, max: 5, noNaN: true }), { minLength: 1, maxLength: 4 });

test('where a value falls off on all sides it comes near the top, whatever is known above it, and no price is below nothing', () => {
  fc.assert(
    fc.property(tops, fc.double({ min: 0, max: 50, noNaN: true }), (top, above) => {
      const search = new PriceSearch(noPrices(top.length, 1), {
        groupOf: top.map((_, i) => i),
        moments: momentsOf(1, [0], 1),
      });
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
    { groupOf: [0, 0, 1], moments: momentsOf(5, [0], 2) },
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
  const search = new PriceSearch(noPrices(1, 3), { groupOf: [0], moments: momentsOf(3, [0], 2) });
  expect(search.goOn(1, [new Float64Array(3)], 2)).toBe(false);
});

test('prices move evenly from the first to the last stretch of a part, and by themselves in each', () => {
  const { many, before, way } = momentsOf(7, [0, 4, 6], 1);
  expect(many).toBe(6);
  expect([...before]).toEqual([0, 0, 0, 0, 2, 2, 4]);
  expect([...way]).toEqual([0, 1 / 3, 2 / 3, 1, 0, 1, 0]);
  const search = new PriceSearch([Float64Array.of(1, 1, 1, 1, 1, 1, 1)], {
    groupOf: [0],
    moments: { many, before, way },
  });
  expect(search.goOn(10, [Float64Array.of(0, 0, 0, 0, 6, 0, 0)], 100)).toBe(true);
  const [line] = search.prices.map((prices) => [...prices]);
  expect(line?.slice(0, 4)).toEqual([1, 1, 1, 1]);
  expect(line?.[4]).toBeGreaterThan(1);
  expect(line?.slice(5)).toEqual([1, 1]);
});
