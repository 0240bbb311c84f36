import { readAmount } from './read-amount.ts';

test.each([
  ['', null],
  [' 120 ', 12_000],
  ['120,5', 12_050],
  ['99.99', 9_999],
])('an amount typed “%s”', (typed, minor) => {
  expect(readAmount(typed)).toEqual({ ok: true, value: minor });
});

test.each(['a lot', '-5', '12.345', '1 200'])('“%s” is none', (typed) => {
  expect(readAmount(typed).ok).toBe(false);
});
