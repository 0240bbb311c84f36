import { clockOn } from '../../core/days/zone.ts';
import {
  clock,
  dayColumns,
  hourLines,
  momentAt,
  placeOf,
  rowItems,
  stretchesIn,
  typedMoment,
  workedBetween,
} from './week-time.ts';
import { sayChance } from '../../core/schedule/say-chance.ts';

const at = (day: string, minutes: number): number => clockOn(day, minutes, 'UTC');
const hours = (day: string): [number, number][] => [
  [at(day, 540), at(day, 750)],
  [at(day, 810), at(day, 1080)],
];
// Friday to Monday.
const columns = dayColumns('2026-12-04', 4, [[...hours('2026-12-04'), ...hours('2026-12-07')]], 'UTC');

test('days share the width, closed ones take little of it', () => {
  expect(columns.map((c) => c.closed)).toEqual([false, true, true, false]);
  expect(columns.reduce((sum, c) => sum + c.width, 0)).toBeCloseTo(1, 12);
  expect(columns[0]?.width).toBeGreaterThan(5 * (columns[1]?.width ?? 1));
});

test('moments have their place in the hours of the shop, nights none', () => {
  expect(placeOf(columns, at('2026-12-04', 540))).toBe(0);
  expect(placeOf(columns, at('2026-12-04', 810))).toBeCloseTo((columns[0]?.width ?? 0) / 2, 12);
  expect(placeOf(columns, at('2026-12-04', 1300))).toBe(columns[1]?.left);
  expect(placeOf(columns, at('2026-12-20', 0))).toBe(1);
});

test('a place is a moment again, in quarters of an hour', () => {
  for (const minutes of [540, 600, 735, 900, 1065])
    expect(momentAt(columns, placeOf(columns, at('2026-12-07', minutes)))).toBe(at('2026-12-07', minutes));
});

test('between two moments only what somebody works counts, forwards and backwards', () => {
  const own = [...hours('2026-12-04'), ...hours('2026-12-07')];
  const minutes = (a: number, b: number): number => workedBetween(own, a, b) / 60_000;
  expect(minutes(at('2026-12-04', 600), at('2026-12-04', 660))).toBe(60);
  // Over the break, and over a night and a weekend.
  expect(minutes(at('2026-12-04', 700), at('2026-12-04', 840))).toBe(80);
  expect(minutes(at('2026-12-07', 570), at('2026-12-04', 1050))).toBe(-60);
});

test('lines stand on whole hours', () => {
  const [first] = columns;
  const lines = first ? hourLines(first, 1) : [];
  expect(lines.map((l) => clock(l.at, 'UTC'))).toEqual([
    '10:00',
    '11:00',
    '12:00',
    '13:00',
    '14:00',
    '15:00',
    '16:00',
    '17:00',
  ]);
});

test.each([
  [0, 'under 1 in 100'],
  [0.004, 'under 1 in 100'],
  [0.84, '84 in 100'],
  [0.999, 'over 99 in 100'],
])('%d is said %s', (chance, said) => {
  expect(sayChance(chance)).toBe(said);
});

describe('what can be tapped in a row', () => {
  const day = '2026-12-04';
  const step = (from: number, to: number) => ({ start: at(day, from), end: at(day, to) });
  const said = (steps: readonly ReturnType<typeof step>[], least: number) =>
    rowItems(steps, columns, least).map((i) => (i.kind === 'few' ? i.steps.length : 'step'));

  test('what is wide enough stands alone, what is not goes together with what it would cover', () => {
    expect(said([step(540, 550), step(550, 560), step(565, 570)], 0.03)).toEqual([3]);
    expect(said([step(540, 600), step(600, 720)], 0.03)).toEqual(['step', 'step']);
    expect(said([step(540, 600), step(810, 815), step(900, 1000)], 0.03)).toEqual(['step', 1, 'step']);
    expect(said([step(540, 550), step(550, 560)], 0)).toEqual(['step', 'step']);
  });

  test('a narrow one before a wide one goes to the left where there is room', () => {
    const [first] = rowItems([step(700, 705), step(705, 900)], columns, 0.03);
    expect(first).toMatchObject({ kind: 'few' });
    expect(first?.kind === 'few' && first.right).toBeCloseTo(placeOf(columns, at(day, 705)), 9);
  });

  test('what is tapped lies over what it stands for, and says where in it that is', () => {
    const steps = Array.from({ length: 40 }, (_, i) => step(540 + i * 13, 540 + i * 13 + 3 + (i % 9)));
    for (const least of [0.005, 0.02, 0.06])
      for (const item of rowItems(steps, columns, least)) {
        if (item.kind !== 'few') continue;
        stretchesIn(item, columns).forEach(([left, right], k) => {
          const { start, end } = item.steps[k] ?? step(0, 0);
          const wide = item.right - item.left;
          expect(item.left + left * wide).toBeCloseTo(placeOf(columns, start), 9);
          expect(item.left + right * wide).toBeCloseTo(placeOf(columns, end), 9);
        });
      }
  });

  test('nothing covers another', () => {
    const steps = Array.from({ length: 40 }, (_, i) =>
      step(540 + i * 13, 540 + i * 13 + (i % 5 === 0 ? 13 : 5 + (i % 3))),
    );
    const items = rowItems(steps, columns, 0.02);
    const edges = items.map((i) =>
      i.kind === 'few' ? [i.left, i.right] : [placeOf(columns, i.step.start), placeOf(columns, i.step.end)],
    );
    edges.forEach(([left = 0], k) => expect(left).toBeGreaterThanOrEqual((edges[k - 1]?.[1] ?? 0) - 1e-5));
  });
});

test('while a day or a time is being typed there is no moment, and it is said which of them is missing', () => {
  const typed = (day: string, time: string) => typedMoment(day, time, '2026-12-02', 'UTC');
  expect(typed('2026-12-04', '09:30')).toEqual({ at: at('2026-12-04', 570) });
  expect(typed('2026-12-02', '00:00')).toEqual({ at: at('2026-12-02', 0) });
  expect(typed('2026-12-04', '')).toEqual({ at: null, day: undefined, time: 'Which time?' });
  expect(typed('', '09:30')).toEqual({ at: null, day: 'Which day?', time: undefined });
  expect(typed('', '')).toEqual({ at: null, day: 'Which day?', time: 'Which time?' });
  expect(typed('12026-12-04', '09:30')).toEqual({ at: null, day: 'Which day?', time: undefined });
  expect(typed('2026-12-01', '09:30')).toEqual({ at: null, day: 'This day is over', time: undefined });
});
