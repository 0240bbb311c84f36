import { readRadius, sayRadius } from './board-radius.ts';

test.each([
  ['flat', 'flat'],
  [' Flat ', 'flat'],
  ['12 in', '12 in'],
  ['12', '12 in'],
  ['9.5', '9.5 in'],
  ['7 1/4"', '7.25 in'],
  ['305 mm', '12.01 in'],
  ['304.8', '12 in'],
  ['10 to 16 in', '10 to 16 in'],
  ['10-16', '10 to 16 in'],
  ['254–406.4 mm', '10 to 16 in'],
  ['12 to 12', '12 in'],
])('%s is read, and said as %s', (typed, said) => {
  const read = readRadius(typed);
  expect(read.ok ? sayRadius(read.value) : read.error).toBe(said);
});

test('a compound one is flatter at its end, in mm', () => {
  expect(readRadius('10 to 16 in')).toEqual({ ok: true, value: { kind: 'compound', nut: 254, end: 406.4 } });
});

test.each([
  ['', /Write flat/],
  ['round', /Write flat/],
  ['10 to 12 to 16', /One radius, or two/],
  ['2 in', /51 mm is no fingerboard radius/],
  ['80 in', /2032 mm is no fingerboard radius/],
  ['12 to', /Write flat/],
])('%s is questioned', (typed, says) => {
  const read = readRadius(typed);
  expect(read.ok ? 'read' : read.error).toMatch(says);
});
