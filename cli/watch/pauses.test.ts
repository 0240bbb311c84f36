import { endedInARow, pauseBefore } from './pauses.ts';

test('pauses grow to half a minute and begin anew after a minute that went well', () => {
  const pauses = [1, 2, 3, 4, 5, 6, 7, 8, 9, 20].map(pauseBefore);
  expect(pauses.slice(0, 4)).toEqual([250, 500, 1000, 2000]);
  expect([...pauses].sort((a, b) => a - b)).toEqual(pauses);
  expect(pauses.at(-1)).toBe(30_000);
  expect(endedInARow(4, 500)).toBe(5);
  expect(endedInARow(4, 61_000)).toBe(1);
});
