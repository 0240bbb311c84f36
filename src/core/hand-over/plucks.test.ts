import { comparePlucks, pluckPairs, type ReadingWithPluck } from './plucks.ts';

const reading = (
  key: string,
  round: ReadingWithPluck['round'],
  sound: number | null,
  buzz: number | null = null,
): ReadingWithPluck => ({ key, round, sound, buzz });

test('places with a kept pluck before or after, and no others', () => {
  const pairs = pluckPairs([
    reading('intonation:6:12', 'as-found', 1, 0.93),
    reading('intonation:6:12', 'as-left', 2, 0.04),
    reading('intonation:5:12', 'as-found', null, null),
    reading('intonation:5:12', 'as-left', 3),
    reading('relief:0:7', 'as-found', null),
    reading('intonation:4:12', 'after-work', 4),
  ]);
  expect(pairs).toEqual([
    { key: 'intonation:6:12', found: { sound: 1, buzz: 0.93 }, left: { sound: 2, buzz: 0.04 } },
    { key: 'intonation:5:12', found: null, left: { sound: 3, buzz: null } },
  ]);
});

test.each([
  [0.93, 0.04, 'buzzed (0.93), now clear (0.04)'],
  [0.93, 0.61, 'buzzed (0.93), still buzzes (0.61)'],
  [0.02, 0.01, 'was clear (0.02), still clear (0.01)'],
  [0.02, 0.8, 'was clear (0.02), now buzzes (0.80)'],
  [null, 0.8, 'as left: buzzes (0.80)'],
  [0.1, null, 'as found: clear (0.10)'],
  [null, null, 'how much it buzzes was not told'],
])('%s before and %s after', (before, after, words) => {
  const pluck = (buzz: number | null) => ({ sound: 1, buzz });
  expect(comparePlucks(pluck(before), pluck(after))).toBe(words);
});
