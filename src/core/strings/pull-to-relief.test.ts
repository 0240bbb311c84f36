import { usualConstruction } from '../instrument/defaults.ts';
import { pulls } from './string-pull.ts';
import { pullToRelief } from './pull-to-relief.ts';

const total = (strings = usualConstruction('steel-acoustic').strings) =>
  pulls(usualConstruction('steel-acoustic'), strings).reduce((a, b) => a + b, 0);

test('nothing changes where the pull does not', () => {
  expect(pullToRelief(700, 700)).toEqual({ reliefChange: 0, low: 0, high: 0 });
});

test('more pull, more relief; the range keeps its order when the pull falls', () => {
  const more = pullToRelief(700, 800);
  expect(more.reliefChange).toBeCloseTo(0.09, 12);
  expect([more.low, more.high].map((v) => +v.toFixed(9))).toEqual([0.07, 0.11]);
  const less = pullToRelief(800, 700);
  expect(less.low).toBeLessThan(less.reliefChange);
  expect(less.high).toBeGreaterThan(less.reliefChange);
  expect(less.high).toBeLessThan(0);
});

test('what a shop knows of a neck is taken as it is', () => {
  expect(pullToRelief(700, 800, 0.001)).toEqual({ reliefChange: 0.1, low: 0.1, high: 0.1 });
});

test('a usual set a whole tone down loses 0.11 to 0.16 mm', () => {
  const c = usualConstruction('steel-acoustic');
  const down = ['D2', 'G2', 'C3', 'F3', 'A3', 'D4'];
  const low = c.strings.map((s, i) => ({ ...s, note: down[i] ?? s.note }));
  const { reliefChange } = pullToRelief(total(), total(low));
  expect(reliefChange).toBeLessThan(-0.11);
  expect(reliefChange).toBeGreaterThan(-0.16);
});
