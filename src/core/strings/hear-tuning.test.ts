import fc from 'fast-check';
import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS, type Kind } from '../instrument/kinds.ts';
import { hearTuning, isOtherTuning, nameOfPitch, stringsOf, type HeardOn } from './hear-tuning.ts';
import { noteFrequency, TUNINGS } from './pitch.ts';

const on = (kind: Kind, more: Partial<HeardOn> = {}): HeardOn => {
  const { scale, perCourse, compensation, strings } = usualConstruction(kind);
  return { kind, scale, perCourse, compensation, usual: strings, gauges: null, ...more };
};
const heard = (text: string, kind: Kind, more: Partial<HeardOn> = {}) => {
  const is = hearTuning(text, on(kind, more));
  if (!is.ok) throw new Error(is.error);
  return is.value;
};
const midi = (note: string): number => {
  const hz = noteFrequency(note);
  return hz.ok ? Math.round(69 + 12 * Math.log2(hz.value / 440)) : NaN;
};
const bare = (notes: readonly string[]): string => notes.map((n) => n.replace(/\d$/, '')).join(' ');

test.each([
  ['D A D G B E', 'steel-acoustic', 'D2 A2 D3 G3 B3 E4'],
  ['DADGAD', 'steel-acoustic', 'D2 A2 D3 G3 A3 D4'],
  ['C G D G B D', 'steel-acoustic', 'C2 G2 D3 G3 B3 D4'],
  ['B E A D G B E', 'solid-electric', 'B1 E2 A2 D3 G3 B3 E4'],
  ['A E A D G B E', 'solid-electric', 'A1 E2 A2 D3 G3 B3 E4'],
  ['F# B E A D G B E', 'solid-electric', 'F#1 B1 E2 A2 D3 G3 B3 E4'],
  ['C# F# B E A D G B E', 'solid-electric', 'C#1 F#1 B1 E2 A2 D3 G3 B3 E4'],
  ['G D G B D', 'solid-electric', 'G2 D3 G3 B3 D4'],
  ['E A D G', 'bass', 'E1 A1 D2 G2'],
  ['B E A D G', 'bass', 'B0 E1 A1 D2 G2'],
  ['E A D G C', 'bass', 'E1 A1 D2 G2 C3'],
  ['B E A D G C', 'bass', 'B0 E1 A1 D2 G2 C3'],
  ['D A D G', 'bass', 'D1 A1 D2 G2'],
  ['g c e a', 'ukulele', 'G4 C4 E4 A4'],
  ['E A D G B E', 'twelve-string', 'E3 E2 A3 A2 D4 D3 G4 G3 B3 B3 E4 E4'],
  ['D D G G C C F F A A D D', 'twelve-string', 'D3 D2 G3 G2 C4 C3 F4 F3 A3 A3 D4 D4'],
  ['E♭ A♭ D♭ G♭ B♭ E♭', 'archtop', 'Eb2 Ab2 Db3 Gb3 Bb3 Eb4'],
] as const)('%s on a %s is %s', (typed, kind, notes) => {
  expect(heard(typed, kind).notes.join(' ')).toBe(notes);
});

test('what was typed with its octave stands, whatever is usual', () => {
  expect(heard('E3 A D G B E', 'steel-acoustic').notes[0]).toBe('E3');
  expect(heard('G3 C4 E4 A4', 'ukulele')).toEqual({ notes: ['G3', 'C4', 'E4', 'A4'], other: null });
});

test('a baritone’s scale is tuned lower, a short one higher', () => {
  expect(heard('B E A D F# B', 'solid-electric', { scale: 700 }).notes.join(' ')).toBe('B1 E2 A2 D3 F#3 B3');
  expect(heard('E A D G B E', 'steel-acoustic', { scale: 330 }).notes.join(' ')).toBe('E3 A3 D4 G4 B4 E5');
});

test('the gauges that are on tell what scale and kind leave open', () => {
  // A wound fourth string on a ukulele is an octave below a plain one.
  const gauges = (fourth: number, wound: boolean) =>
    [
      { gauge: fourth, wound },
      { gauge: 0.86, wound: false },
      { gauge: 0.71, wound: false },
      { gauge: 0.56, wound: false },
    ] as const;
  expect(heard('G C E A', 'ukulele', { gauges: gauges(0.61, false) }).notes[0]).toBe('G4');
  expect(heard('G C E A', 'ukulele', { gauges: gauges(0.76, true) }).notes[0]).toBe('G3');
});

test.each([
  ['D A D G H E', /“H” is not a note/],
  ['E A', /3 to 12 notes/],
  ['E A D G B E A D G B E A D', /3 to 12 notes/],
])('%s is refused with words', (typed, why) => {
  expect(hearTuning(typed, on('steel-acoustic'))).toMatchObject({
    ok: false,
    error: expect.stringMatching(why) as string,
  });
});

test('notes and gauges that do not go together are said', () => {
  const gauges = [{ gauge: 1, wound: true }];
  expect(hearTuning('E A D G B E', on('steel-acoustic', { gauges }))).toMatchObject({ ok: false });
  expect(hearTuning('E A D', on('twelve-string'))).toMatchObject({ ok: false });
});

test('tunings in use are heard as they are, with and without their octaves', () => {
  const kinds: Readonly<Record<string, Kind>> = {
    guitar: 'steel-acoustic',
    'twelve-string': 'twelve-string',
    bass: 'bass',
  };
  for (const [name, notes] of Object.entries(TUNINGS)) {
    const kind = kinds[name.split(',')[0] ?? ''];
    if (!kind) continue;
    expect([name, heard(bare(notes), kind).notes]).toEqual([name, notes]);
    expect(heard(notes.join(' '), kind).notes).toEqual(notes);
  }
});

const SINGLE = KINDS.filter((k) => usualConstruction(k).perCourse === 1 && k !== 'ukulele');

test('of 500 tunings around a third from the usual one, hardly one is misheard, and none without asking', () => {
  let wrong = 0;
  fc.assert(
    fc.property(
      fc.constantFrom(...SINGLE),
      fc.integer({ min: -4, max: 3 }),
      fc.array(fc.integer({ min: -2, max: 2 }), { minLength: 12, maxLength: 12 }),
      fc.nat(3),
      (kind, all, each, below) => {
        const usual = usualConstruction(kind).strings.map((s) => midi(s.note));
        const low = Array.from({ length: below }, (_, i) => (usual[0] ?? 0) - 5 * (below - i));
        const truth = [...low, ...usual].map((p, i) => nameOfPitch(p + all + (each[i] ?? 0)));
        if (truth.some((n) => midi(n) < 14)) return;
        const is = heard(bare(truth), kind);
        const exact = JSON.stringify(is.notes) === JSON.stringify(truth);
        if (!exact) wrong += 1;
        expect(exact || JSON.stringify(is.other) === JSON.stringify(truth)).toBe(true);
      },
    ),
    { numRuns: 500 },
  );
  expect(wrong).toBeLessThanOrEqual(10);
});

test('strings beyond the usual ones pull like the lowest usual one', () => {
  const usual = usualConstruction('solid-electric').strings;
  const seven = stringsOf(usual, ['B1', 'E2', 'A2', 'D3', 'G3', 'B3', 'E4']);
  expect(seven).toHaveLength(7);
  expect(seven.slice(1)).toEqual(usual);
  const [low, next] = seven;
  // The same pull: gauge times frequency is the same.
  expect((low?.gauge ?? 0) * 2 ** (midi('B1') / 12)).toBeCloseTo(
    (next?.gauge ?? 0) * 2 ** (midi('E2') / 12),
    1,
  );
  expect(stringsOf(usual, ['G2', 'D3', 'G3', 'B3', 'D4']).map((s) => s.gauge)).toEqual(
    usual.slice(1).map((s) => s.gauge),
  );
});

describe('another tuning than the strings have', () => {
  const six = usualConstruction('steel-acoustic');
  const twelve = usualConstruction('twelve-string');
  test.each([
    ['E A D G B E', six, false],
    ['EADGBE', six, false],
    ['e a d g b e', six, false],
    ['D A D G B E', six, true],
    ['DADGAD', six, true],
    ['E A D G B', six, false],
    ['standard', six, false],
    ['', six, false],
    ['E A D G B E', twelve, false],
    ['D A D G A D', twelve, true],
    ['Eb Ab Db Gb Bb Eb', six, true],
  ] as const)('“%s”', (text, { strings, perCourse }, is) => {
    expect(isOtherTuning(text, strings, perCourse)).toBe(is);
  });

  test('a note by its other name is the same note', () => {
    const down = six.strings.map((s, i) => ({
      ...s,
      note: ['Eb2', 'Ab2', 'Db3', 'Gb3', 'Bb3', 'Eb4'][i] ?? '',
    }));
    expect(isOtherTuning('D# G# C# F# A# D#', down, 1)).toBe(false);
  });
});
