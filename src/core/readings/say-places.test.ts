import { sayPlaces } from './say-places.ts';

test.each<[readonly string[], string]>([
  [[], ''],
  [['Relief, 7th'], 'Relief, 7th'],
  [['Action 12, string 6'], 'Action 12, string 6'],
  [
    ['Relief, 7th', 'Gap over fret 1, string 4 E', 'Action 12, string 1', 'Gap over fret 1, string 12 A'],
    'Relief, 7th; Gap over fret 1, strings 4, 12; Action 12, string 1',
  ],
  [
    ['Gap over fret 1, string 6a E', 'Gap over fret 1, string 6b E', 'Action 12, string 6a'],
    'Gap over fret 1, strings 6a, 6b; Action 12, string 6a',
  ],
])('%j is said as %s', (labels, said) => {
  expect(sayPlaces(labels)).toBe(said);
});
