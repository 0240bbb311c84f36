import { placeNames } from './place-names.ts';

test.each([
  ['A1–A4', 'A1 A2 A3 A4'],
  ['B9-11', 'B9 B10 B11'],
  ['Window', 'Window'],
  ['A1 to A3; Door', 'A1 A2 A3 Door'],
  ['A3-A1', 'A3-A1'],
  ['A1-B2', 'A1-B2'],
  ['Wall 1...3', 'Wall 1|Wall 2|Wall 3'],
])('%s is %s', (typed, names) => {
  const read = placeNames(typed);
  expect(read.ok && read.value.join(names.includes('|') ? '|' : ' ')).toBe(names);
});

test.each(['', ' , ', 'A1-A999', 'x'.repeat(41)])('“%s” is refused with words', (typed) => {
  expect(placeNames(typed)).toMatchObject({ ok: false, error: expect.any(String) as string });
});
