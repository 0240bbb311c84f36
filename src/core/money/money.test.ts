import fc from 'fast-check';
import {
  discountOn,
  formatMoney,
  NO_DISCOUNT,
  roundMinor,
  total,
  totalRange,
  type Discount,
} from './money.ts';

const minor = fc.integer({ min: 0, max: 1_000_000 });
const lines = fc.array(fc.record({ price: minor, parts: minor }), { maxLength: 20 });
const discount: fc.Arbitrary<Discount> = fc.oneof(
  fc.constant(NO_DISCOUNT),
  fc.record({ kind: fc.constant('amount' as const), value: fc.integer({ min: 0, max: 3_000_000 }) }),
  fc.record({ kind: fc.constant('share' as const), value: fc.integer({ min: 0, max: 10_000 }) }),
);
const tax = fc.constantFrom(0, 0.05, 0.077, 0.19, 0.2, 0.25);

test('the sum of the lines, less the discount, and the tax come to the total, whatever they are', () => {
  fc.assert(
    fc.property(lines, tax, discount, (all, rate, off) => {
      const t = total(all, rate, off);
      const sum = all.reduce((s, l) => s + l.price + l.parts, 0);
      expect(t.labour + t.parts).toBe(sum);
      expect(t.toPay).toBe(sum - t.discount + t.tax);
      expect(Number.isInteger(t.toPay)).toBe(true);
      expect(t.discount).toBeGreaterThanOrEqual(0);
      expect(t.toPay).toBeGreaterThanOrEqual(0);
      expect(Math.abs(t.tax - (sum - t.discount) * rate)).toBeLessThanOrEqual(0.5);
    }),
  );
});

test('the order of the lines does not matter, and a larger discount never costs more', () => {
  fc.assert(
    fc.property(lines, tax, discount, fc.nat(5000), (all, rate, off, more) => {
      expect(total([...all].reverse(), rate, off)).toEqual(total(all, rate, off));
      const larger = { ...off, value: off.value + more };
      expect(total(all, rate, larger).toPay).toBeLessThanOrEqual(total(all, rate, off).toPay);
    }),
  );
});

test.each([
  [10_000, { kind: 'share', value: 1250 }, 1250],
  [333, { kind: 'share', value: 5000 }, 167],
  [100, { kind: 'amount', value: 250 }, 100],
  [100, { kind: 'amount', value: -5 }, 0],
  [100, NO_DISCOUNT, 0],
] as const)('off %d: %o is %d', (sum, off, is) => {
  expect(discountOn(sum, off)).toBe(is);
});

test('half a minor unit goes away from zero', () => {
  expect([2.5, -2.5, 2.4, 0].map(roundMinor)).toEqual([3, -3, 2, 0]);
  expect(formatMoney(-5, '¤')).toBe('−¤0.05');
});

test('a range opens with what is not done, and closes as it is', () => {
  const line = { price: 6000, parts: 500, minutes: { low: 30, likely: 60, high: 120 } };
  expect(totalRange([{ ...line, settled: false }], 0)).toEqual({ low: 3500, high: 12_500 });
  expect(totalRange([{ ...line, settled: true }], 0)).toEqual({ low: 6500, high: 6500 });
  expect(totalRange([{ ...line, minutes: { low: 0, likely: 0, high: 9 }, settled: false }], 0.2)).toEqual({
    low: 7800,
    high: 7800,
  });
});

test('what is likely lies within the range', () => {
  const ranged = fc.array(
    fc.record({
      price: minor,
      parts: minor,
      settled: fc.boolean(),
      minutes: fc
        .tuple(
          fc.integer({ min: 1, max: 600 }),
          fc.integer({ min: 1, max: 600 }),
          fc.integer({ min: 1, max: 600 }),
        )
        .map((m) => m.sort((a, b) => a - b))
        .map(([low = 1, likely = 1, high = 1]) => ({ low, likely, high })),
    }),
    { maxLength: 12 },
  );
  fc.assert(
    fc.property(ranged, tax, discount, (all, rate, off) => {
      const { low, high } = totalRange(all, rate, off);
      const likely = total(all, rate, off).toPay;
      // Each line is rounded by itself: as many half units as there are lines.
      expect(low).toBeLessThanOrEqual(likely + all.length + 1);
      expect(high).toBeGreaterThanOrEqual(likely - all.length - 1);
    }),
  );
});
