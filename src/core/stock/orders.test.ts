import { describe, expect, test } from 'vitest';
import { seeded } from '../seeded.ts';
import { arrivalsOf, comingOf, missingOf, standingOf, usuallyBy, type StockOrder } from './orders.ts';

const TODAY = '2026-11-10';
const order = (more: Partial<StockOrder> = {}): StockOrder => ({
  id: 1,
  orderedOn: '2026-11-01',
  expected: '2026-11-12',
  ended: false,
  rows: [{ item: 1, quantity: 10, came: 0 }],
  ...more,
});

describe('how an order stands', () => {
  const row = (came: number) => [{ item: 1, quantity: 10, came }];
  test.each([
    ['written', order({ orderedOn: null })],
    ['under way', order()],
    ['under way', order({ expected: null })],
    ['under way', order({ expected: TODAY })],
    ['partly here', order({ rows: row(4) })],
    ['late', order({ expected: '2026-11-09' })],
    ['late', order({ expected: '2026-11-09', rows: row(4) })],
    ['here', order({ rows: row(10), expected: '2026-11-09' })],
    ['here', order({ rows: row(11) })],
    ['ended', order({ rows: row(4), ended: true })],
    ['here', order({ rows: row(10), ended: true })],
  ] as const)('%s', (standing, o) => {
    expect(standingOf(o, TODAY)).toBe(standing);
  });

  test('more than were ordered may come: nothing is missing then', () => {
    expect(missingOf({ quantity: 2, came: 3 })).toBe(0);
    expect(missingOf({ quantity: 2.3, came: 1.1 })).toBe(1.2);
  });

  test('what is still to come, over all orders that are not ended', () => {
    const orders = [order(), order({ id: 2, rows: row(7), orderedOn: null }), order({ id: 3, ended: true })];
    expect(comingOf(orders)).toEqual(new Map([[1, 13]]));
  });
});

describe('when it will likely be here', () => {
  const want = (id: number, quantity = 1, item = 1) => ({ id, item, quantity });
  test('who asked first has the first that arrive; who needs several waits for the last of them', () => {
    const soon = order({ id: 7, rows: [{ item: 1, quantity: 2, came: 0 }] });
    const later = order({ id: 3, expected: '2026-11-20' });
    const found = arrivalsOf([want(1), want(2, 2), want(3), want(4, 1, 9)], [later, soon], TODAY);
    expect(found.get(1)).toEqual({ order: 7, expected: '2026-11-12', late: false });
    expect(found.get(2)).toEqual({ order: 3, expected: '2026-11-20', late: false });
    expect(found.get(3)?.order).toBe(3);
    expect(found.get(4)).toEqual({ order: null, expected: null, late: false });
  });

  test('what is only written, ended or here already brings nothing; a late one is still the one', () => {
    const none = [
      order({ orderedOn: null }),
      order({ ended: true }),
      order({ rows: [{ item: 1, quantity: 1, came: 1 }] }),
    ];
    expect(arrivalsOf([want(1)], none, TODAY).get(1)?.order).toBeNull();
    expect(arrivalsOf([want(1)], [order({ expected: '2026-11-02' })], TODAY).get(1)).toEqual({
      order: 1,
      expected: '2026-11-02',
      late: true,
    });
  });

  test('no more wants are promised an order than it brings, and no earlier day is left for a later one', () => {
    const random = seeded(4);
    const some = (n: number) => Math.floor(n * random());
    for (let run = 0; run < 300; run++) {
      const orders = Array.from({ length: 1 + some(4) }, (_, i) =>
        order({
          id: i + 1,
          expected: random() < 0.2 ? null : `2026-11-${10 + some(19)}`,
          rows: [{ item: 1, quantity: 1 + some(4), came: some(3) }],
        }),
      );
      const wants = Array.from({ length: 1 + some(8) }, (_, i) => want(i + 1));
      const found = [...arrivalsOf(wants, orders, TODAY).values()];
      const all = orders.reduce((n, o) => n + missingOf(o.rows[0] ?? { quantity: 0, came: 0 }), 0);
      expect(found.filter((a) => a.order !== null)).toHaveLength(Math.min(all, wants.length));
      for (const o of orders)
        expect(found.filter((a) => a.order === o.id).length).toBeLessThanOrEqual(
          missingOf(o.rows[0] ?? { quantity: 0, came: 0 }),
        );
      const days = found.filter((a) => a.order !== null).map((a) => a.expected ?? '9');
      expect(days).toEqual([...days].sort());
    }
  });

  test('by what the supplier usually takes', () => {
    expect(usuallyBy('2026-02-27', 3)).toBe('2026-03-02');
    expect(usuallyBy(TODAY, null)).toBeNull();
  });
});
