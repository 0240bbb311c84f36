import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS } from '../instrument/kinds.ts';
import { resolveTarget } from '../targets/resolve.ts';
import type { LengthUnit } from '../units/length-units.ts';
import { readEntry } from './entry.ts';
import { askAbout, type Known } from './plausibility.ts';
import { allStations } from './stations.ts';

const c = usualConstruction('steel-acoustic');
const aims = new Map(
  allStations(c).flatMap((s) => {
    const t = resolveTarget(c, 'medium', [], s);
    return t ? [[s.key, t.aim] as const] : [];
  }),
);
const known = (round: Record<string, number> = {}, before: Record<string, number> = {}): Known => ({
  construction: c,
  round: new Map(Object.entries(round)),
  before: new Map(Object.entries(before)),
  aims,
});

function ask(key: string, typed: string, unit: LengthUnit, what: Known) {
  const station = allStations(c).find((s) => s.key === key);
  if (!station) throw new Error(key);
  const read = readEntry(typed, station.quantity, unit);
  if (!read.ok) throw new Error(read.error.message);
  return askAbout(read.value, station, what, typed);
}

describe('askAbout', () => {
  test.each([
    ['a usual action', 'action:6:12', '5.5/64', '64ths', {}, {}, null],
    ['inches in a field of mm', 'action:6:12', '.078', 'mm', {}, {}, 'outside-plausible'],
    ['32nds typed as 64ths', 'action:6:12', '3', '64ths', {}, { 'action:6:12': 2.38 }, 'half-or-double'],
    ['64ths typed as 32nds', 'action:6:12', '6', '32nds', {}, { 'action:6:12': 2.38 }, 'half-or-double'],
    ['half in mm is no slip of a rule', 'action:6:12', '1.19 mm', 'mm', {}, { 'action:6:12': 2.38 }, null],
    ['ten times the last gap', 'nut-gap:6:1', '.5 mm', 'thou', {}, { 'nut-gap:6:1': 0.05 }, 'ten-times'],
    ['a tenth of the last relief', 'relief:0:7', '.02 mm', 'thou', {}, { 'relief:0:7': 0.2 }, 'ten-times'],
    ['bass and treble swapped', 'action:1:12', '2.4 mm', 'mm', { 'action:6:12': 1.8 }, {}, 'sides-swapped'],
    [
      'the same, the bass typed second',
      'action:6:12',
      '1.8 mm',
      'mm',
      { 'action:1:12': 2.4 },
      {},
      'sides-swapped',
    ],
    ['a hair the wrong way round', 'action:1:12', '2.0 mm', 'mm', { 'action:6:12': 1.9 }, {}, null],
    [
      'one gap four times the others',
      'nut-gap:6:1',
      '.4 mm',
      'mm',
      { 'nut-gap:5:1': 0.08, 'nut-gap:4:1': 0.09 },
      {},
      'odd-one-out',
    ],
    ['a higher gap beside one other', 'nut-gap:6:1', '.4 mm', 'mm', { 'nut-gap:5:1': 0.08 }, {}, null],
    ['an action over a deep bow', 'action:6:12', '1 mm', 'mm', { 'relief:0:7': 1.1 }, {}, 'impossible'],
    ['the same action on a straight neck', 'action:6:12', '1 mm', 'mm', { 'relief:0:7': 0 }, {}, null],
  ] as const)('%s', (_, key, typed, unit, round, before, code) => {
    expect(ask(key, typed, unit, known(round, before))?.code ?? null).toBe(code);
  });

  test('a slip of 32nds offers what was meant', () => {
    const asked = ask('action:6:12', '3', '64ths', known({}, { 'action:6:12': 2.38 }));
    expect(asked?.others.map((o) => o.text)).toEqual(['3/32']);
    expect(asked?.others[0]?.value).toBeCloseTo((3 * 25.4) / 32, 12);
  });

  test('ten times too much offers the unit that fits', () => {
    const asked = ask('relief:0:7', '.8', 'mm', known({}, { 'relief:0:7': 0.08 }));
    expect(asked).toMatchObject({ code: 'ten-times', others: [] });
  });

  test('aims on their targets never raise a question', () => {
    for (const kind of KINDS) {
      const own = usualConstruction(kind);
      const stations = allStations(own);
      const aim = (key: string) => {
        const s = stations.find((x) => x.key === key);
        return s ? resolveTarget(own, 'medium', [], s)?.aim : undefined;
      };
      const round = new Map(
        stations.flatMap((s) => (aim(s.key) === undefined ? [] : [[s.key, aim(s.key) ?? 0]])),
      );
      for (const s of stations) {
        const value = aim(s.key);
        if (value === undefined) continue;
        const entry = { value, unit: 'mm', says: '', spread: null, question: null } as const;
        const what = { construction: own, round, before: round, aims: round };
        expect([kind, s.key, askAbout(entry, s, what, String(value))?.code]).toEqual([
          kind,
          s.key,
          undefined,
        ]);
      }
    }
  });
});
