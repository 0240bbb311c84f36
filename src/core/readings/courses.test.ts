import fc from 'fast-check';
import { usualConstruction } from '../instrument/defaults.ts';
import { acrossOf, stringsOfCourse } from '../instrument/construction.ts';
import { runs } from '../../runs-for-tests.ts';
import { judgedReadings, partnersOf, sayCoursesApart } from './courses.ts';
import { QUANTITIES, type Quantity } from './quantities.ts';
import { stationKey } from './stations.ts';

const twelve = usualConstruction('twelve-string');
const six = usualConstruction('steel-acoustic');

const read = (...all: readonly (readonly [Quantity, number, number, number])[]) =>
  new Map(
    all.map(([quantity, string, fret, value]) => {
      const key = stationKey(quantity, string, fret);
      return [key, { key, quantity, string, fret, value }] as const;
    }),
  );

test('the strings of a course lie at one place across, in the order of the board', () => {
  expect(stringsOfCourse(twelve, 11)).toEqual([12, 11]);
  expect(stringsOfCourse(six, 4)).toEqual([4]);
  expect(twelve.strings.map((_, i) => acrossOf(twelve, i))).toEqual(
    [0, 0, 1, 1, 2, 2, 3, 3, 4, 4, 5, 5].map((n) => n / 5),
  );
  expect(six.strings.map((_, i) => acrossOf(six, i))).toEqual([0, 1, 2, 3, 4, 5].map((n) => n / 5));
  expect(acrossOf({ strings: six.strings.slice(0, 1), perCourse: 1 }, 0)).toBe(0);
});

test.each([
  ['a course has one height', twelve, 'action', ['action:11:12']],
  ['one contact serves a course', twelve, 'intonation', ['intonation:11:12']],
  ['slots are cut one by one', twelve, 'nut-gap', []],
  ['saddles on screws are set one by one', { ...twelve, bridge: 'individual' as const }, 'intonation', []],
  ['single strings stand alone', six, 'action', []],
] as const)('%s', (_, c, quantity, partners) => {
  expect(partnersOf(c, { quantity, string: c.strings.length, fret: 12 })).toEqual(partners);
});

test('a course is judged by the mean of its strings, by whichever was read of its height', () => {
  const readings = read(['intonation', 12, 12, 6], ['intonation', 11, 12, 0], ['action', 11, 12, 2.4]);
  const judged = judgedReadings(twelve, readings);
  expect(judged.get('intonation:12:12')?.value).toBe(3);
  expect(judged.get('intonation:11:12')?.value).toBe(3);
  expect(judged.get('action:12:12')).toMatchObject({ string: 12, value: 2.4, key: 'action:12:12' });
  expect(judgedReadings(twelve, read(['intonation', 12, 12, 6])).has('intonation:11:12')).toBe(false);
});

test('what is stale does not count, and is what it was', () => {
  const readings = read(['intonation', 12, 12, 6], ['intonation', 11, 12, 0]);
  const judged = judgedReadings(twelve, readings, new Set(['intonation:11:12']));
  expect([judged.get('intonation:12:12')?.value, judged.get('intonation:11:12')?.value]).toEqual([6, 0]);
});

test('strings of a course that are too far apart for one contact are asked about', () => {
  const far = read(['intonation', 12, 12, 6], ['intonation', 11, 12, -1], ['intonation', 2, 12, 1]);
  expect(sayCoursesApart(twelve, far)).toEqual([expect.stringContaining('course 6 are 7 cents apart')]);
  expect(sayCoursesApart(twelve, far, new Set(['intonation:11:12']))).toEqual([]);
  expect(sayCoursesApart(six, far)).toEqual([]);
});

const anyReadings = fc
  .array(
    fc.tuple(
      fc.constantFrom(...QUANTITIES),
      fc.integer({ min: 0, max: 12 }),
      fc.constantFrom(0, 1, 12),
      fc.double({ min: -5, max: 5, noNaN: true }),
    ),
    { maxLength: 30 },
  )
  .map((all) => read(...all));

test('property: taken twice it changes nothing; single strings are never touched; strings of a course agree', () => {
  fc.assert(
    fc.property(anyReadings, (readings) => {
      const once = judgedReadings(twelve, readings);
      for (const [key, r] of judgedReadings(twelve, once))
        expect(r.value).toBeCloseTo(once.get(key)?.value ?? 0, 9);
      for (const [key, r] of once)
        for (const partner of partnersOf(twelve, r))
          if (once.has(partner)) expect([key, once.get(partner)?.value]).toEqual([key, r.value]);
      expect(judgedReadings(six, readings)).toBe(readings);
    }),
    runs(200),
  );
});
