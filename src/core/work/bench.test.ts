import fc from 'fast-check';
import { plainTax } from '../money/tax.ts';
import { NO_DISCOUNT, total } from '../money/money.ts';
import { looksForgotten, whyNotSoLong, workedMs } from './clocks.ts';
import { toFetch } from './fetch.ts';
import { limitStand, sayLimit, withinLimit } from './limit.ts';
import { mentioned } from './mentions.ts';
import { OPERATIONS } from '../catalogue/operations.ts';
import { restsOf } from './rests-of.ts';
import { waitsOf } from './waits.ts';
import { sayLeft } from '../days/say-left.ts';

const MIN = 60_000;

describe('clocks', () => {
  test('worked time is what lies between start and stop, whatever interrupts', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(1000), fc.nat(1000)), { maxLength: 20 }), (spells) => {
        let now = 0;
        const stretches = spells.map(([work, pause]) => {
          const s = { from: now, to: now + work };
          now += work + pause;
          return s;
        });
        expect(workedMs(stretches, now)).toBe(spells.reduce((sum, [work]) => sum + work, 0));
      }),
    );
  });

  test('an open stretch runs to now, and a clock that went back counts for nothing', () => {
    expect(workedMs([{ from: 0, to: null }], 5)).toBe(5);
    expect(workedMs([{ from: 10, to: 4 }], 20)).toBe(0);
  });

  test.each([
    [119, 20, false],
    [121, 20, true],
    [121, 90, false],
    [181, 90, true],
  ])('after %i min on a step of at most %i min: forgotten is %s', (ran, high, forgotten) => {
    expect(looksForgotten(0, ran * MIN, high)).toBe(forgotten);
  });

  test.each([
    [30, null],
    [0, null],
    [61, 'The clock ran 60 min: it cannot have been more.'],
    [-1, 'Whole minutes.'],
    [2.5, 'Whole minutes.'],
  ])('%d minutes of an hour: %s', (minutes, why) => {
    expect(whyNotSoLong(0, 60 * MIN, minutes)).toBe(why);
  });
});

describe('rests', () => {
  const rest = (lineId: number, finishedAt: number | null, wait: number) => ({
    lineId,
    title: `step ${lineId}`,
    finishedAt,
    wait,
  });
  test('the one that ends last is told; steps without a rest, or not finished, have none', () => {
    const lines = [rest(1, 0, 10), rest(2, 0, 60), rest(3, null, 600), rest(4, 0, 0)];
    expect(waitsOf(lines).map((w) => w.lineId)).toEqual([2, 1]);
  });
  test('a rod’s begins with its last turn, where that was logged before its step was finished; other work’s when it was finished', () => {
    const line = (id: number, op: 'rod' | 'bridge-reglue') => ({
      id,
      operation: op,
      title: op,
      record: null,
      finishedAt: new Date(100 * MIN),
    });
    const since = (op: 'rod' | 'bridge-reglue', turned: number | null) =>
      restsOf([line(1, op)], OPERATIONS, turned === null ? null : turned * MIN).map((w) => [
        w.since / MIN,
        (w.until - w.since) / MIN,
      ]);
    expect(since('rod', 88)).toEqual([[88, 10]]);
    expect(since('rod', null)).toEqual([[100, 10]]);
    expect(since('rod', 120)).toEqual([[100, 10]]);
    expect(since('bridge-reglue', 88)).toEqual([[100, 1440]]);
  });
  test.each([
    [0, 'over'],
    [-5, 'over'],
    [0.5, '1 min'],
    [59, '59 min'],
    [125, '2 h 05'],
    [47 * 60, '47 h 00'],
    [48 * 60, '2 days'],
    [49 * 60, '3 days'],
  ])('%d minutes left: %s', (minutes, said) => {
    expect(sayLeft(0, minutes * MIN)).toBe(said);
  });
});

describe('mentions', () => {
  const people = [
    { id: 1, name: 'Nadia Brook' },
    { id: 2, name: 'Tomas Vey' },
    { id: 3, name: 'Tomas Lind' },
  ];
  test.each([
    ['@Nadia look at this', [1]],
    ['@nadia brook, please', [1]],
    ['ask @Tomas', []],
    ['ask @Tomas Vey or @tomas lind', [2, 3]],
    ['mail@nadia.example', [1]],
    ['@Nadiax', []],
    ['nobody', []],
  ])('%s', (text, ids) => {
    expect(mentioned(text, people)).toEqual(ids);
  });
});

test('what to fetch: materials, and a file to each gauge once, thickest first', () => {
  const nut = { filesNut: true, materials: ['120 paper'] };
  expect(toFetch(nut, [0.254, 1.0668, 0.254])).toEqual(['120 paper', 'nut files .042, .010']);
  expect(toFetch({ filesNut: false, materials: [] }, [0.254])).toEqual([]);
  expect(toFetch(nut, [])).toEqual(['120 paper']);
});

describe('the limit', () => {
  const line = fc.record({
    price: fc.nat(20_000),
    parts: fc.nat(20_000),
    approval: fc.constantFrom('asked' as const, 'yes' as const, 'no' as const),
  });
  test('without a limit everything is asked', () => {
    expect(withinLimit([], { price: 1, parts: 0 }, null, plainTax(0.2), NO_DISCOUNT)).toBe(false);
  });
  test('goes on exactly when all that is agreed and asked, and this, come to no more', () => {
    fc.assert(
      fc.property(
        fc.array(line, { maxLength: 8 }),
        fc.nat(30_000),
        fc.nat(100_000),
        (lines, price, limit) => {
          const sum = lines.filter((l) => l.approval !== 'no').reduce((s, l) => s + l.price + l.parts, price);
          const tax = Math.round(sum * 0.2);
          expect(withinLimit(lines, { price, parts: 0 }, limit, plainTax(0.2), NO_DISCOUNT)).toBe(
            sum + tax <= limit,
          );
        },
      ),
    );
  });
  test('is said while it is approached: what is agreed, asked, and how it may turn out', () => {
    const at = (price: number, approval: 'asked' | 'yes' | 'no' = 'yes', high = 10) => ({
      price,
      parts: 0,
      approval,
      step: 'ready',
      minutes: { low: 10, likely: 10, high },
    });
    const stand = (
      lines: Parameters<typeof limitStand>[0],
      planned: { price: number; parts: number }[] = [],
    ) => limitStand(lines, 10_000, plainTax(0), NO_DISCOUNT, planned);
    const said = (...of: Parameters<typeof stand>) => {
      const s = stand(...of);
      return s && sayLimit(s, (m) => String(m / 100));
    };
    expect(limitStand([at(1)], null, plainTax(0), NO_DISCOUNT)).toBeNull();
    expect(said([at(5000)])).toBe('Inside the limit of 100: 50 left.');
    expect(said([at(5000), at(4000, 'asked'), at(9000, 'no')])).toBe('Near the limit of 100: 10 left.');
    expect(said([at(5000)], [{ price: 6000, parts: 0 }])).toBe(
      'With what is asked it passes the limit of 100 by 10: say so.',
    );
    expect(said([at(6000, 'yes', 20)])).toBe(
      'It may turn out up to 120, over the limit of 100: say so before it does.',
    );
    expect(said([{ ...at(6000, 'yes', 20), step: 'finished' }])).toBe('Inside the limit of 100: 40 left.');
    expect(said([at(10_001)])).toBe('Over the limit of 100: ask the customer.');
    expect(stand([at(10_000)])?.stands).toBe('near');
  });
  test('a dearer find never fits where a cheaper one does not', () => {
    fc.assert(
      fc.property(fc.array(line), fc.nat(9_000), fc.nat(9_000), fc.nat(60_000), (lines, a, more, limit) => {
        const fits = (price: number) =>
          withinLimit(lines, { price, parts: 0 }, limit, plainTax(0.2), NO_DISCOUNT);
        expect(fits(a) || !fits(a + more)).toBe(true);
      }),
    );
  });
});

test('lines alone and lines together come to the same, before the tax, under every discount', () => {
  const discount = fc.oneof(
    fc.constant(NO_DISCOUNT),
    fc.record({ kind: fc.constant('amount' as const), value: fc.nat(50_000) }),
    fc.record({ kind: fc.constant('share' as const), value: fc.nat(10_000) }),
  );
  const lines = fc.array(fc.record({ price: fc.nat(30_000), parts: fc.nat(30_000) }), { maxLength: 12 });
  fc.assert(
    fc.property(lines, discount, fc.constantFrom(0, 0.05, 0.2, 0.255), (some, d, rate) => {
      const t = total(some, plainTax(rate), d);
      const net = some.reduce((s, l) => s + l.price + l.parts, 0);
      expect(t.labour + t.parts).toBe(net);
      expect(t.toPay).toBe(net - t.discount + t.tax);
      expect(t.discount).toBeLessThanOrEqual(net);
      expect(Math.abs(t.tax - (net - t.discount) * rate)).toBeLessThanOrEqual(0.5);
      expect(total([...some].reverse(), plainTax(rate), d)).toEqual(t);
    }),
  );
});
