import { ANSWER, answerAfter, answersHere, USUAL_ANSWERS, type Answered } from './answers.ts';

const all = (beyond: boolean, minutes: readonly number[]): Answered[] =>
  minutes.map((m) => ({ beyond, minutes: m }));

test.each([
  ['nobody was asked', [], USUAL_ANSWERS],
  ['too few', all(true, [1, 2, 3, 4]), USUAL_ANSWERS],
  ['they say it at the counter', all(true, [0, 0, 1, 5, 20, 30]), { plain: null, beyond: null }],
  [
    'the middle four fifths, what goes beyond a setup apart',
    [
      ...all(true, [0, 60, 60, 60, 1440, 2880, 3000, 3100, 4000, 5000, 20_000]),
      ...all(false, [0, 0, 0, 0, 60]),
    ],
    { plain: { low: 0, likely: 0, high: 60 }, beyond: { low: 60, likely: 2880, high: 5000 } },
  ],
  [
    'of one sort only: the other is as usual',
    all(false, [0, 100, 200, 300, 400]),
    { plain: { low: 0, likely: 200, high: 400 }, beyond: ANSWER },
  ],
])('%s', (_, answered, expected) => {
  expect(answersHere(answered)).toEqual(expected);
  expect(answersHere(answered.toReversed())).toEqual(expected);
});

test('what is still awaited is what is left, and longer the longer nothing was said', () => {
  expect(answerAfter(ANSWER, 0)).toEqual(ANSWER);
  const hours = [0, 1, 3, 6, 12, 18, 24, 48, 72, 120, 240, 480, 2400];
  const found = hours.map((h) => ({ h: h * 60, ...answerAfter(ANSWER, h * 60) }));
  for (const [i, a] of found.entries()) {
    expect(a.low).toBeGreaterThan(0);
    expect(a.likely).toBeGreaterThanOrEqual(a.low);
    expect(a.high).toBeGreaterThanOrEqual(a.likely);
    const before = found[i - 1];
    // The moment it likely comes never moves nearer for having waited.
    if (before) expect(a.h + a.likely).toBeGreaterThanOrEqual(before.h + before.likely);
  }
  expect(found.at(-1)).toMatchObject({ likely: 7 * 1440, high: 14 * 1440 });
  // Where they say it within the hour, one who took three has not forgotten it for a week.
  expect(answerAfter({ low: 0, likely: 0, high: 60 }, 180)).toEqual({ low: 30, likely: 90, high: 360 });
});
