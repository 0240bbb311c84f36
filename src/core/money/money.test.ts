import fc from 'fast-check';
import { roundMinor } from './minor.ts';
import { byTheHour } from './by-the-hour.ts';
import { plainTax, shareOut, type Taxing } from './tax.ts';
import { discountOn, NO_DISCOUNT, total, totalRange, type Discount } from './money.ts';
import { formatMoney } from './currency.ts';

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
      const t = total(all, plainTax(rate), off);
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
      expect(total([...all].reverse(), plainTax(rate), off)).toEqual(total(all, plainTax(rate), off));
      const larger = { ...off, value: off.value + more };
      expect(total(all, plainTax(rate), larger).toPay).toBeLessThanOrEqual(
        total(all, plainTax(rate), off).toPay,
      );
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
  expect(totalRange([{ ...line, settled: false }], plainTax(0))).toEqual({ low: 3500, high: 12_500 });
  expect(totalRange([{ ...line, settled: true }], plainTax(0))).toEqual({ low: 6500, high: 6500 });
  expect(
    totalRange([{ ...line, minutes: { low: 0, likely: 0, high: 9 }, settled: false }], plainTax(0.2)),
  ).toEqual({
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
      const { low, high } = totalRange(all, plainTax(rate), off);
      const likely = total(all, plainTax(rate), off).toPay;
      // Each line is rounded by itself: as many half units as there are lines.
      expect(low).toBeLessThanOrEqual(likely + all.length + 1);
      expect(high).toBeGreaterThanOrEqual(likely - all.length - 1);
    }),
  );
});

const taxing: fc.Arbitrary<Taxing> = fc.record({
  rates: fc.constant([
    { id: 'full', name: 'Full', rate: 0.2 },
    { id: 'low', name: 'Low', rate: 0.077 },
    { id: 'none', name: 'None', rate: 0 },
  ]),
  labour: fc.constantFrom('full', 'low', 'none'),
  parts: fc.constantFrom('full', 'low', 'none'),
  included: fc.boolean(),
  roundTo: fc.constantFrom(1, 5, 10, 100),
});
const rate = fc.constantFrom(null, 'full', 'low', 'none', 'gone');
const rated = fc.array(fc.record({ price: minor, parts: minor, tax: rate, partsTax: rate }), {
  maxLength: 12,
});

test('with several rates, prices with their tax or without, and rounding, the parts come to the whole', () => {
  fc.assert(
    fc.property(rated, taxing, discount, (all, how, off) => {
      const t = total(all, how, off);
      const sum = all.reduce((s, l) => s + l.price + l.parts, 0);
      // What each rate is on is what the lines come to, less the discount, to the minor unit.
      expect(t.taxes.reduce((s, r) => s + r.on, 0)).toBe(sum - t.discount);
      expect(t.taxes.reduce((s, r) => s + r.tax, 0)).toBe(t.tax);
      const exact = sum - t.discount + (how.included ? 0 : t.tax);
      expect(t.toPay).toBe(exact + t.rounding);
      expect(t.toPay % how.roundTo).toBe(0);
      expect(Math.abs(t.rounding)).toBeLessThanOrEqual(how.roundTo / 2);
      for (const r of t.taxes) {
        const is = how.included ? r.on - r.on / (1 + r.rate) : r.on * r.rate;
        expect(Math.abs(r.tax - is)).toBeLessThanOrEqual(0.5);
        expect(r.on).toBeGreaterThanOrEqual(0);
      }
      // The order of the lines changes no sum of money.
      expect(total([...all].reverse(), how, off)).toMatchObject({ toPay: t.toPay, tax: t.tax });
    }),
    { numRuns: 2000 },
  );
});

test('a price with its tax in it, taken apart, is the price without and its tax', () => {
  fc.assert(
    fc.property(minor, fc.constantFrom(0.05, 0.077, 0.2), (net, r) => {
      const on = total([{ price: net, parts: 0 }], plainTax(r));
      const inIt = total([{ price: on.toPay, parts: 0 }], { ...plainTax(r), included: true });
      expect(Math.abs(inIt.tax - on.tax)).toBeLessThanOrEqual(1);
      expect(inIt.toPay).toBe(on.toPay);
    }),
  );
});

test('what is shared out comes to the whole, each within one unit of its part', () => {
  fc.assert(
    fc.property(
      fc.nat(1_000_000),
      fc.array(fc.nat(10_000), { minLength: 1, maxLength: 8 }),
      (amount, weights) => {
        const shares = shareOut(amount, weights);
        const all = weights.reduce((s, w) => s + w, 0);
        expect(shares.reduce((s, v) => s + v, 0)).toBe(amount);
        if (all > 0)
          shares.forEach((v, i) => {
            expect(Math.abs(v - (amount * (weights[i] ?? 0)) / all)).toBeLessThan(1);
          });
      },
    ),
  );
});

test('work by the hour, and the least of it', () => {
  expect([byTheHour(70, 6000, 2000), byTheHour(10, 6000, 2000), byTheHour(0, 6000, 0)]).toEqual([
    7000, 2000, 0,
  ]);
});
