import fc from 'fast-check';
import { codeOf, isNamed, isPast, isShort, shortLists, toOrder, type Stocked } from './short.ts';

const item = (more: Partial<Stocked>): Stocked & { readonly id: number } => ({
  id: 12,
  name: 'Light bronze',
  place: 'drawer 2',
  supplier: 'Harrow Lane Strings',
  code: '4001',
  facts: {},
  free: 1,
  onHand: 2,
  wanted: 0,
  coming: 0,
  least: 3,
  usual: 10,
  cost: 620,
  retired: false,
  ...more,
});

test('what is ordered brings it over its least, in the usual lots', () => {
  const some = fc.record({
    free: fc.integer({ min: 0, max: 500 }).map((n) => n / 10),
    least: fc.integer({ min: 0, max: 40 }),
    usual: fc.integer({ min: 0, max: 12 }),
    wanted: fc.integer({ min: 0, max: 3 }),
    coming: fc.integer({ min: 0, max: 12 }),
  });
  fc.assert(
    fc.property(some, (i) => {
      const order = toOrder(i);
      const free = i.free + i.coming - i.wanted;
      expect(free + order).toBeGreaterThanOrEqual(i.least);
      if (order > 0 && i.usual > 0) expect(order % i.usual).toBe(0);
      if (order > 0) expect(free + order - Math.max(1, i.usual)).toBeLessThan(i.least);
      // What is on order is ordered once; it stays short until it is here.
      expect(order > 0).toBe(isShort({ ...i, free: i.free + i.coming, retired: false }));
      if (order > 0) expect(isShort({ ...i, retired: false })).toBe(true);
    }),
  );
});

test('a list for each supplier, what it costs as far as that is known; nobody orders what is kept no longer', () => {
  const lists = shortLists([
    item({ name: 'A', supplier: '' }),
    item({ name: 'B', supplier: 'Tolland Wire', cost: null }),
    item({ name: 'C' }),
    item({ name: 'D', free: 3 }),
    item({ name: 'E', retired: true }),
    item({ name: 'F', free: 2, usual: 0 }),
    item({ name: 'G', coming: 10 }),
    item({ name: 'H', free: 0, least: 0, usual: 0, wanted: 2, cost: 0 }),
  ]);
  expect(
    lists.map((l) => [l.supplier, l.rows.map((r) => [r.item.name, r.order]), l.cost, l.unknown]),
  ).toEqual([
    [
      'Harrow Lane Strings',
      [
        ['C', 10],
        ['F', 1],
        ['H', 2],
      ],
      6820,
      0,
    ],
    ['Tolland Wire', [['B', 10]], 0, 1],
    ['', [['A', 10]], 6200, 0],
  ]);
});

test('past its day from the day after; named by words in any order, by its code only whole', () => {
  expect(isPast({ facts: { until: '2026-11-28' } }, '2026-11-28')).toBe(false);
  expect(isPast({ facts: { until: '2026-11-27' } }, '2026-11-28')).toBe(true);
  expect(isPast({ facts: {} }, '2026-11-28')).toBe(false);
  expect(isNamed(item({}), '53w 42w', 'drawer bronze')).toBe(true);
  expect(isNamed(item({}), '53w 42w', '53w harrow')).toBe(true);
  expect(isNamed(item({}), '53w 42w', '4001')).toBe(true);
  expect(isNamed(item({}), '53w 42w', '400')).toBe(false);
  // What has no code of its own is scanned by the one the house prints for it.
  expect(codeOf(item({ code: '' }))).toBe('R00012');
  expect(isNamed(item({ code: '' }), '', 'r00012')).toBe(true);
  expect(isNamed(item({}), '', 'r00012')).toBe(false);
  // One too long for the bars of a label carries the house's, and is known by both.
  const long = item({ code: '4006381333931-4006381333948' });
  expect(codeOf(long)).toBe('R00012');
  expect(isNamed(long, '', 'r00012')).toBe(true);
  expect(isNamed(long, '', '4006381333931-4006381333948')).toBe(true);
  expect(isNamed(item({}), '53w 42w', 'nickel')).toBe(false);
});
