import { ANSWER, answersHere, USUAL_ANSWERS, type Answered } from './answers.ts';

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
