import { lastAlive, lastMonths, liesStill, shelfValue, usedByMonth, type DatedMove } from './figures.ts';

const TODAY = '2026-02-14';
const move = (kind: DatedMove['kind'], day: string, quantity = 1, item = 1): DatedMove => ({
  item,
  kind,
  quantity,
  day,
});

test('twelve months, over the turn of the year', () => {
  const months = lastMonths(TODAY);
  expect(months).toHaveLength(12);
  expect(months[0]).toBe('2025-03');
  expect(months[10]).toBe('2026-01');
  expect(months[11]).toBe('2026-02');
});

test('used and spoilt count, put back takes from it; received, set aside and counted do not', () => {
  const use = usedByMonth(
    [
      move('used', '2026-02-01', 2),
      move('broken', '2026-02-10'),
      move('returned', '2026-02-11', 0.5),
      move('used', '2025-02-28', 9),
      move('used', '2025-03-01', 4),
      move('received', '2026-02-01', 10),
      move('set-aside', '2026-02-01'),
      move('counted', '2026-02-01', 3, 2),
    ],
    TODAY,
  );
  expect(use.get(1)).toEqual([4, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 2.5]);
  expect(use.has(2)).toBe(false);
});

test('what it cost, as far as that is known, the most first', () => {
  expect(
    shelfValue([
      { sort: 'glue', onHand: 2, cost: 400 },
      { sort: 'string-set', onHand: 3, cost: 620 },
      { sort: 'string-set', onHand: 1, cost: null },
      { sort: 'fret-wire', onHand: 2.5, cost: 701 },
      { sort: 'oil', onHand: 0, cost: 900 },
    ]),
  ).toEqual([
    { sort: 'string-set', value: 1860, unknown: 1 },
    { sort: 'fret-wire', value: 1753, unknown: 0 },
    { sort: 'glue', value: 800, unknown: 0 },
  ]);
});

test('what lies still for a year is what is there and was asked for by nobody since; a count wakes nothing', () => {
  const last = lastAlive([
    move('received', '2024-12-01'),
    move('counted', '2026-01-01'),
    move('used', '2025-02-14', 1, 2),
  ]);
  expect(last.get(1)).toBe('2024-12-01');
  expect(liesStill(1, last.get(1) ?? null, TODAY)).toBe(true);
  expect(liesStill(0, last.get(1) ?? null, TODAY)).toBe(false);
  expect(liesStill(1, last.get(2) ?? null, TODAY)).toBe(false);
  expect(liesStill(1, '2025-02-13', TODAY)).toBe(true);
  expect(liesStill(1, null, TODAY)).toBe(false);
});
