import { askedOfWorth, countsHistory, MATTERS_NAMES, sayMatters } from './matters.ts';

test.each([
  ['price', false, 'matters for its price', 1],
  ['history', true, 'matters for its history', 0],
  ['both', true, 'matters for its price and its history', 1],
  ['neither', false, '', 0],
  [null, false, '', 0],
] as const)('%s', (matters, history, says, asked) => {
  expect(countsHistory(matters)).toBe(history);
  expect(sayMatters(matters)).toBe(says);
  expect(askedOfWorth(matters, null)).toHaveLength(asked);
  expect(askedOfWorth(matters, 90_000)).toEqual([]);
});

test('each is one of four', () => {
  expect(MATTERS_NAMES).toEqual(['price', 'history', 'both', 'neither']);
});
