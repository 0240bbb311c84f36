import { stringName } from './construction.ts';
import { usualConstruction } from './defaults.ts';

test('a string goes by its number; in a pair by its course, the one toward the bass first', () => {
  const six = usualConstruction('steel-acoustic');
  expect([6, 5, 1].map((n) => stringName(six, n))).toEqual(['6', '5', '1']);
  const twelve = usualConstruction('twelve-string');
  expect([12, 11, 10, 2, 1].map((n) => stringName(twelve, n))).toEqual(['6a', '6b', '5a', '1a', '1b']);
  const all = twelve.strings.map((_, i) => stringName(twelve, i + 1));
  expect(new Set(all).size).toBe(12);
});
