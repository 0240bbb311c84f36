import fc from 'fast-check';
import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS } from '../instrument/kinds.ts';
import { resolveTarget } from '../targets/resolve.ts';
import type { LengthUnit } from '../units/length-units.ts';
import { runs } from '../../runs-for-tests.ts';
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

describe('each question by itself', () => {
  const station = (key: string) => {
    const found = allStations(c).find((s) => s.key === key);
    if (!found) throw new Error(key);
    return found;
  };
  const asked = (
    key: string,
    value: number,
    unit: 'mm' | '64ths' | '32nds' | 'in' | 'thou' | 'cents',
    what: Partial<Known>,
    typed = '',
  ) =>
    askAbout(
      { value, unit, says: '', spread: null, question: null },
      station(key),
      { construction: c, round: new Map(), before: new Map(), aims: new Map(), ...what },
      typed,
    );
  const map = (o: Record<string, number>) => new Map(Object.entries(o));

  test('an action lies on the fret where the string’s line meets the bow', () => {
    const numbers = fc.record({
      value: fc.double({ min: -0.5, max: 3, noNaN: true }),
      relief: fc.double({ min: 0, max: 2.5, noNaN: true }),
      gap: fc.option(fc.double({ min: -0.1, max: 0.5, noNaN: true }), { nil: null }),
      fret: fc.constantFrom(12, 17, 20),
    });
    const along = (f: number) => 1 - 2 ** (-f / 12);
    const bend = (f: number) =>
      Math.max(0, (along(f) - along(1)) * (along(c.frets) - along(f))) /
      ((along(7) - along(1)) * (along(c.frets) - along(7)));
    fc.assert(
      fc.property(numbers, ({ value, relief, gap, fret }) => {
        const nut = gap === null ? 0.5 : Math.max(0, gap) * 2.0595;
        const at12 = nut + ((value - nut) * along(12)) / along(fret);
        // Over the plane of the first and last fret's tops, the others dipping under it.
        const over = (f: number) =>
          nut + ((at12 - relief * bend(12) - nut) * along(f)) / along(12) + relief * bend(f);
        const frets = Array.from({ length: c.frets }, (_, i) => i + 1);
        if (frets.some((f) => Math.abs(over(f)) < 1e-9)) return;
        const lies = frets.find((f) => over(f) < 0);
        const round = map({ 'relief:0:7': relief, ...(gap !== null && { 'nut-gap:3:1': gap }) });
        const question = asked(`action:3:${fret}`, value, 'mm', { round });
        expect(question?.code).toBe(lies === undefined ? undefined : 'impossible');
        if (lies !== undefined) expect(question?.message).toContain(`lie on fret ${lies}.`);
      }),
      runs(60),
    );
    expect(asked('action:3:12', 2, 'mm', {})).toBeNull();
  });

  test.each([
    ['twice, in 64ths', 'action:6:12', 2.4, '64ths', 1.2, /^Twice of/],
    ['half, in 32nds', 'action:6:12', 1.2, '32nds', 2.4, /^Half of/],
    ['a little more than twice', 'action:6:12', 2.56, '64ths', 1.2, /^Twice of/],
    ['half again as much', 'action:6:12', 1.8, '64ths', 1.2, null],
    ['twice, in millimetres', 'action:6:12', 2.4, 'mm', 1.2, null],
    ['twice of the least that counts', 'action:6:12', 1, '64ths', 0.5, /^Twice of/],
    ['twice of less than counts', 'action:6:12', 0.98, '64ths', 0.49, null],
    ['twice of a quantity nobody reads in 64ths', 'saddle-standout:0:0', 4, '64ths', 2, null],
    ['twice of a gap', 'nut-gap:6:1', 0.12, '64ths', 0.06, /^Twice of/],
    ['twice of a relief', 'relief:0:7', 0.16, '32nds', 0.08, /^Twice of/],
  ] as const)('%s of what stood here', (_, key, value, unit, was, says) => {
    const question = asked(key, value, unit, { before: map({ [key]: was }) });
    if (says === null) return expect(question).toBeNull();
    expect(question?.code).toBe('half-or-double');
    expect(question?.message).toMatch(says);
  });

  test('what was meant is offered where it is what stood here, whatever the number looks like', () => {
    const of = (typed: string, value: number, unit: '64ths' | '32nds', was: number) =>
      asked('action:6:12', value, unit, { before: map({ 'action:6:12': was }) }, typed)?.others;
    const said = (text: string) => [expect.objectContaining({ text })];
    expect(of(' 3 ', (3 * 25.4) / 64, '64ths', (3 * 25.4) / 32)).toEqual(said('3/32'));
    expect(of('+5,5/64', (5.5 * 25.4) / 64, '64ths', (5.5 * 25.4) / 32)).toEqual(said('+5,5/32'));
    expect(of('12', (12 * 25.4) / 32, '32nds', (12 * 25.4) / 64)).toEqual(said('12/64'));
    // Twice of it, in 64ths already: 32nds would be four times.
    expect(of('6', (6 * 25.4) / 64, '64ths', (3 * 25.4) / 64)).toEqual([]);
    expect(of('touches', (3 * 25.4) / 64, '64ths', (3 * 25.4) / 32)).toEqual([]);
  });

  test.each([
    ['ten times', 'relief:0:7', 2, 'mm', 0.2, /^Ten times what/],
    ['a tenth', 'relief:0:7', 0.02, 'mm', 0.2, /^A tenth of what/],
    ['five times', 'relief:0:7', 1, 'mm', 0.2, null],
    ['ten times of next to nothing', 'relief:0:7', 0.2, 'mm', 0.02, null],
    ['ten times of a little more', 'relief:0:7', 0.21, 'mm', 0.021, /^Ten times what/],
    ['ten times as many cents', 'intonation:6:12', 10, 'cents', 1, null],
  ] as const)('%s of what stood here', (_, key, value, unit, was, says) => {
    const question = asked(key, value, unit, { before: map({ [key]: was }) });
    if (says === null) return expect(question).toBeNull();
    expect(question?.code).toBe('ten-times');
    expect(question?.message).toMatch(says);
  });

  test('ten times too much offers only the ways that fit', () => {
    const question = asked('relief:0:7', 2.54, 'in', { before: map({ 'relief:0:7': 0.254 }) }, '10');
    expect(question?.others.map((o) => o.text)).toEqual(['10 thou']);
  });

  test.each([
    ['a quarter higher', 1, 2.25, 2, '0.2500 mm'],
    ['a hair less', 1, 2.2499, 2, null],
    ['from the bass', 6, 1.5, 2.25, '0.7500 mm'],
    ['as it should be', 1, 1.5, 2.25, null],
  ] as const)('the treble stands %s', (_, string, value, other, by) => {
    const [own, theirs] = [`action:${string}:12`, `action:${string === 1 ? 6 : 1}:12`];
    const question = asked(own, value, 'mm', { round: map({ [theirs]: other }), aims });
    expect(question?.code ?? null).toBe(by === null ? null : 'sides-swapped');
    if (by !== null) expect(question?.message).toContain(`${by} higher`);
  });

  test('sides are compared only where both are aimed at, at the outer strings, for their action', () => {
    const round = map({ 'action:6:12': 1, 'action:1:12': 1, 'action:6:1': 1, 'action:1:1': 1 });
    const high = (key: string, own: ReadonlyMap<string, number>) => asked(key, 3, 'mm', { round, aims: own });
    expect(high('action:1:12', aims)?.code).toBe('sides-swapped');
    expect(high('action:1:12', map({ 'action:1:12': 1.7 }))).toBeNull();
    expect(high('action:1:12', map({ 'action:6:12': 2.2 }))).toBeNull();
    expect(high('action:1:12', map({ 'action:1:12': 2, 'action:6:12': 2 }))).toBeNull();
    expect(
      high('action:3:12', map({ 'action:3:12': 1.7, 'action:1:12': 2.2, 'action:6:12': 2.2 })),
    ).toBeNull();
    expect(high('nut-gap:1:1', map({ 'nut-gap:1:1': 1, 'action:6:1': 2 }))).toBeNull();
    expect(asked('action:1:12', 3, 'mm', { aims })).toBeNull();
  });

  test.each([
    ['four times the middle one', 0.2, { 'nut-gap:5:1': 0.05, 'nut-gap:4:1': 0.05 }, 'odd-one-out'],
    ['less than four times', 0.199, { 'nut-gap:5:1': 0.05, 'nut-gap:4:1': 0.05 }, null],
    ['four times, yet next to nothing', 0.18, { 'nut-gap:5:1': 0.04, 'nut-gap:4:1': 0.04 }, null],
    [
      'the middle one, in whatever order they stand',
      0.4,
      { 'nut-gap:5:1': 0.05, 'nut-gap:4:1': 0.12, 'nut-gap:3:1': 0.08 },
      'odd-one-out',
    ],
    [
      'its own earlier value does not count',
      0.4,
      { 'nut-gap:6:1': 0.05, 'nut-gap:5:1': 0.08, 'nut-gap:4:1': 0.12 },
      null,
    ],
    ['beside one other', 0.4, { 'nut-gap:5:1': 0.05 }, null],
    ['other readings are no gaps', 0.4, { 'relief:0:7': 0.05, 'nut-gap:5:1': 0.05 }, null],
  ] as const)('a gap: %s', (_, value, round, code) => {
    expect(asked('nut-gap:6:1', value, 'mm', { round: map(round) })?.code ?? null).toBe(code);
  });
  test('an odd reading of another place is no odd gap', () => {
    const round = map({ 'nut-gap:5:1': 0.05, 'nut-gap:4:1': 0.05 });
    expect(asked('relief:0:7', 0.4, 'mm', { round })).toBeNull();
  });

  test('what the entry itself asks comes first', () => {
    const own = { code: 'outside-plausible', message: 'really?', others: [] } as const;
    const entry = { value: 0.4, unit: 'mm', says: '', spread: null, question: own } as const;
    const round = map({ 'nut-gap:5:1': 0.05, 'nut-gap:4:1': 0.05 });
    expect(askAbout(entry, station('nut-gap:6:1'), known(Object.fromEntries(round)), '.4')).toBe(own);
  });
});

describe('what rests', () => {
  const MIN = 60_000;
  const turned = {
    title: 'Adjust the truss rod',
    at: 0,
    until: 10 * MIN,
    moves: ['relief', 'action'],
  } as const;
  const at = (now: number) => ({ ...known(), settling: [turned], now: now * MIN });

  test('is asked about until it has rested, and only where it was moved', () => {
    expect(ask('relief:0:7', '.20 mm', 'mm', at(2))).toEqual({
      code: 'too-soon',
      message: '2 min after “Adjust the truss rod”: it goes on moving for 8 min more. Read it again then.',
      others: [],
    });
    expect(ask('relief:0:7', '.20 mm', 'mm', at(10))).toBeNull();
    expect(ask('nut-gap:6:1', '.10 mm', 'mm', at(2))).toBeNull();
  });

  test('a slip of the unit is asked about first', () => {
    expect(ask('action:6:12', '.078', 'mm', at(2))?.code).toBe('outside-plausible');
  });
});
