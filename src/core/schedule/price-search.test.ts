import fc from 'fast-check';
import { noPrices, PriceSearch } from './price-search.ts';

test('where a value falls off on both sides it comes to the top, whatever is known above it', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 5, noNaN: true }), { minLength: 1, maxLength: 4 }),
      fc.double({ min: 0, max: 50, noNaN: true }),
      (tops, above) => {
        const search = new PriceSearch(noPrices([tops]));
        let best = -Infinity;
        for (let round = 0; round < 600; round++) {
          const at = search.prices[0] ?? new Float64Array();
          const away = tops.map((top, i) => top - (at[i] ?? 0));
          const value = 10 - away.reduce((sum, d) => sum + Math.abs(d), 0);
          best = Math.max(best, value);
          expect(value).toBeLessThanOrEqual(10 + above);
          if (!search.goOn(value, [Float64Array.from(away, Math.sign)], 10 + above)) break;
        }
        expect(best).toBeGreaterThan(10 - 0.3);
        expect(Math.min(...(search.prices[0] ?? []))).toBeGreaterThanOrEqual(0);
      },
    ),
  );
});
