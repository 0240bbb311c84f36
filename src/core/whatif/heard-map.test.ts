import { usualConstruction } from '../instrument/defaults.ts';
import { handFor, mapOfNeck } from './clearance-map.ts';
import { consequences } from './consequences.ts';
import { compareHeard, sayUnexplained, unexplained } from './heard-map.ts';
import type { HeardPlace } from './heard.ts';
import { NO_MOVES } from './moves.ts';
import type { NeckModel } from './neck-model.ts';
import { atItsAims } from './pluck-reach.ts';

const RATIO = 1.65;
const { model } = atItsAims('steel-acoustic', 'medium');
const c = model.construction;
const mapsOf = (m: NeckModel) => mapOfNeck(m, consequences(m, NO_MOVES, RATIO), handFor(m, 'light'));

/** Every string heard up to the 12th, clear but where a rule says it buzzes. */
const heardWhere = (rule: (string: number, held: number) => boolean): HeardPlace[] =>
  [1, 2, 3, 4, 5, 6].flatMap((string) =>
    Array.from({ length: 13 }, (_, held) => ({
      string,
      held,
      heard: rule(string, held) ? ('buzzes' as const) : ('clear' as const),
      force: null,
    })),
  );
const found = (rule: (string: number, held: number) => boolean) =>
  unexplained(c, compareHeard(heardWhere(rule), mapsOf(model)));
const said = (rule: (string: number, held: number) => boolean) =>
  found(rule).map((u) => sayUnexplained(c, u));

test('what is heard as it was read is explained', () => {
  expect(found(() => false)).toEqual([]);
});

test('only open is the nut', () => {
  expect(found((s, h) => s === 6 && h === 0)).toEqual([{ kind: 'nut', strings: [6] }]);
  expect(said((s, h) => s === 6 && h === 0)[0]).toContain('Only the open string 6 buzzes');
});

test('held behind a fret, on some strings, is that fret, also where the places before it buzz too', () => {
  expect(found((s, h) => (s === 3 || s === 4) && h === 6)).toEqual([
    { kind: 'fret', fret: 7, strings: [4, 3] },
  ]);
  expect(found((s, h) => s === 2 && h >= 1 && h <= 6)).toEqual([{ kind: 'fret', fret: 7, strings: [2] }]);
  expect(said((s, h) => s === 2 && h === 6)[0]).toContain('fret 7 stands high or is loose there');
});

test('behind frets that follow each other is a region', () => {
  const hump = (s: number, h: number) => (s === 3 && h === 6) || (s === 2 && h === 7) || (s === 1 && h === 8);
  expect(found(hump)).toEqual([{ kind: 'region', low: 7, high: 9, strings: [3, 2, 1] }]);
});

test('one pitch, whatever string, is something loose', () => {
  // E4: string 1 open, string 2 at 5, string 3 at 9.
  const loose = (s: number, h: number) =>
    (s === 1 && h === 0) || (s === 2 && h === 5) || (s === 3 && h === 9);
  const [only, ...rest] = found(loose);
  expect(rest).toEqual([]);
  expect(only).toMatchObject({ kind: 'loose' });
  expect(only?.kind === 'loose' && Math.abs(only.hz - 329.63)).toBeLessThan(1);
  expect(said(loose)[0]).toContain('something loose');
});

test('what buzzes by the readings and is clear is said, and what is close agrees with either', () => {
  const low: NeckModel = { ...model, action: model.action.map((a) => a - 1.2) };
  const maps = mapsOf(low);
  const all = compareHeard(
    heardWhere(() => false),
    maps,
  );
  const buzzing = all.filter((p) => p.computed === 'buzzes');
  expect(buzzing.length).toBeGreaterThan(0);
  expect(unexplained(c, all)).toEqual([{ kind: 'clear-after-all', places: buzzing }]);
  const close = all.map((p) => ({ ...p, computed: 'close' as const }));
  expect(unexplained(c, close)).toEqual([]);
});

test('strings of a course are called as at the bench', () => {
  const twelve = usualConstruction('twelve-string');
  expect(sayUnexplained(twelve, { kind: 'nut', strings: [12, 11] })).toContain('strings 6a, 6b buzz,');
});
