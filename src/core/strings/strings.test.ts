import type { Kind } from '../instrument/kinds.ts';
import fc from 'fast-check';
import { usualConstruction } from '../instrument/defaults.ts';
import { noteFrequency, parsePitch, TUNINGS } from './pitch.ts';
import { pullChange } from './pull-change.ts';
import { frequenciesOf, setPull, STRING_SETS } from './string-sets.ts';
import { massOnInstrument, pulls, stringMake } from './string-pull.ts';
import { bearingDiameter, STEEL, stringTension, unitMass, usualCore } from './unit-mass.ts';

describe('unitMass', () => {
  test('a plain string is a steel rod', () => {
    expect(unitMass({ kind: 'plain', gauge: 0.254 })).toBeCloseTo(7850 * Math.PI * 0.000127 ** 2, 15);
  });

  test.each([
    ['nylon', 1140],
    ['fluorocarbon', 1780],
  ] as const)('%s is solid', (kind, density) => {
    expect(unitMass({ kind, gauge: 1 })).toBeCloseTo((density * Math.PI) / 4e6, 15);
  });

  test('a wrap counted turn by turn weighs what the formula says', () => {
    // A wire of diameter w wound close on a core c: one turn a wire's width, each turn π(c + w) long.
    const [core, w, density] = [0.4, 0.45, 8900];
    const perMetre = 1000 / w;
    const turn = Math.PI * (core + w);
    const wrap = density * ((Math.PI / 4) * (w / 1000) ** 2) * (perMetre * turn) * 1e-3;
    const rod = (STEEL * Math.PI * (core / 1000) ** 2) / 4;
    const s = { kind: 'wound', gauge: core + 2 * w, core, wrapDensity: density } as const;
    expect(unitMass(s)).toBeCloseTo(rod + wrap, 12);
  });

  test('without its own figures a wound string takes the usual core and bronze', () => {
    const plain = { kind: 'wound', gauge: 1.35 } as const;
    expect(unitMass(plain)).toBe(unitMass({ ...plain, core: 0.44, wrapDensity: 8800 }));
    expect(bearingDiameter(plain)).toBe(0.44);
    expect(bearingDiameter({ ...plain, core: 0.5 })).toBe(0.5);
    expect(bearingDiameter({ kind: 'plain', gauge: 0.3 })).toBe(0.3);
  });
});

describe('usualCore', () => {
  test.each([
    [0.43, 0.23],
    [1.35, 0.44],
    [1.26, 0.425],
    [2.67, 0.56],
    [3.3, 0.64],
  ])('a %d mm string has a core of about %d', (gauge, core) => {
    expect(usualCore(gauge)).toBeCloseTo(core, 9);
  });

  test('is always thinner than the string, grows with it, and goes on outside the table', () => {
    expect(usualCore(0.2)).toBeCloseTo(0.2 * (0.23 / 0.43), 12);
    expect(usualCore(4)).toBeCloseTo(4 * (0.64 / 3.3), 12);
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 5, noNaN: true }), (g) => {
        expect(usualCore(g)).toBeGreaterThan(0);
        expect(usualCore(g)).toBeLessThan(g);
        expect(usualCore(g + 0.01)).toBeGreaterThan(usualCore(g) - 1e-12);
      }),
    );
  });
});

describe('the strings of an instrument', () => {
  const string = (gauge: number, wound: boolean, note = 'A2') => ({ gauge, wound, note });
  const steel = usualConstruction('steel-acoustic');
  const nylon = usualConstruction('nylon');

  test.each([
    ['steel-acoustic', false, 'plain'],
    ['steel-acoustic', true, 'wound'],
    ['bass', true, 'wound'],
    ['nylon', false, 'nylon'],
    ['ukulele', false, 'nylon'],
    ['nylon', true, 'floss'],
    ['ukulele', true, 'floss'],
  ] as const)('%s, wound %s: made as %s', (kind, wound, made) => {
    expect(stringMake({ kind }, string(0.7, wound))).toMatchObject({ kind: made, gauge: 0.7 });
  });

  test.each(['nylon', 'ukulele'] as const)('a wound string of a %s has a core of floss', (kind) => {
    // Six tenths of the diameter are nylon; silver-plated copper fills π/4 of the ring around it.
    const square = (d: number) => (Math.PI / 4) * (d / 1000) ** 2;
    const core = square(0.6 * 0.9);
    const wrap = 8950 * (Math.PI / 4) * (square(0.9) - core);
    expect(massOnInstrument({ kind }, string(0.9, true))).toBeCloseTo(1140 * core + wrap, 12);
    expect(massOnInstrument({ kind }, string(0.9, false))).toBeCloseTo(1140 * square(0.9), 12);
  });

  test('the wrap is of its kind: bronze on steel acoustics, plated steel on electrics and basses', () => {
    const wrap = (kind: Kind) => stringMake({ kind }, string(1, true)).wrapDensity;
    for (const kind of ['steel-acoustic', 'twelve-string'] as const) expect(wrap(kind)).toBe(8800);
    for (const kind of ['solid-electric', 'semi-hollow', 'archtop', 'bass'] as const)
      expect(wrap(kind)).toBe(7900);
  });

  test('on steel a wound string has its steel core, a plain one is steel', () => {
    expect(massOnInstrument(steel, string(1.35, true))).toBe(unitMass({ kind: 'wound', gauge: 1.35 }));
    expect(massOnInstrument(steel, string(0.3, false))).toBe(unitMass({ kind: 'plain', gauge: 0.3 }));
  });

  test('each pulls by its own length, note and mass; another reference pulls all by its square', () => {
    for (const c of [steel, nylon]) {
      const own = pulls(c);
      expect(own).toHaveLength(c.strings.length);
      c.strings.forEach((s, i) => {
        const hz = frequenciesOf([s.note])[0] ?? 0;
        const metres = (c.scale + c.compensation) / 1000;
        expect(own[i]).toBeCloseTo(massOnInstrument(c, s) * (2 * metres * hz) ** 2, 9);
      });
      const low = pulls(c, c.strings, 432);
      for (const [i, t] of own.entries()) expect((low[i] ?? 0) / t).toBeCloseTo((432 / 440) ** 2, 9);
    }
    expect(pulls(steel, [string(0.3, false, 'no note')])).toEqual(Float64Array.of(75));
    expect(pulls({ ...steel, compensation: 20 }, [string(0.3, false)])[0]).toBeGreaterThan(
      pulls({ ...steel, compensation: 0 }, [string(0.3, false)])[0] ?? 0,
    );
  });
});

describe('stringTension', () => {
  test('a string’s own frequency from its pull gives the pull back: f = √(T/μ)/2L', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-4, max: 0.03, noNaN: true }),
        fc.double({ min: 300, max: 900, noNaN: true }),
        fc.double({ min: 20, max: 500, noNaN: true }),
        (mass, L, f) => {
          const pull = stringTension(mass, L, f);
          expect(Math.sqrt(pull / mass) / (2 * (L / 1000))).toBeCloseTo(f, 8);
        },
      ),
    );
  });

  test('an octave up pulls four times as hard', () => {
    expect(stringTension(0.001, 648, 220)).toBeCloseTo(4 * stringTension(0.001, 648, 110), 9);
  });
});

describe('notes', () => {
  test.each([
    ['A4', 440],
    ['A3', 220],
    ['E2', 82.4069],
    ['C4', 261.6256],
    ['B3', 246.9417],
    ['Bb3', 233.0819],
    ['a♯3', 233.0819],
    ['B0', 30.8677],
    ['C-1', 8.1758],
  ])('%s sounds at %d Hz', (note, hz) => {
    const read = noteFrequency(note);
    expect(read.ok && read.value).toBeCloseTo(hz, 3);
  });

  test('another reference moves all alike', () => {
    const read = noteFrequency('E4', 432);
    expect(read.ok && read.value).toBeCloseTo((329.6276 * 432) / 440, 3);
  });

  test.each(['', 'H2', 'E', '2E', 'Ebb2', 'E22'])('“%s” is no note', (text) => {
    expect(noteFrequency(text)).toMatchObject({ ok: false, error: { code: 'not-a-pitch' } });
  });

  test.each([
    ['82.4', 82.4],
    ['82,4 Hz', 82.4],
    ['110hz', 110],
    ['  196 hz ', 196],
    ['440.25', 440.25],
    [' A3 ', 220],
    ['A2', 110],
  ])('a pitch written %s is %d Hz', (text, hz) => {
    const read = parsePitch(text);
    expect(read.ok && read.value).toBeCloseTo(hz, 9);
  });

  test.each([
    ['', 'empty'],
    ['0', 'not-a-pitch'],
    ['-5', 'not-a-pitch'],
    ['loud', 'not-a-pitch'],
    ['110 hz or so', 'not-a-pitch'],
    ['   ', 'empty'],
  ])('a pitch written “%s” is refused as %s', (text, code) => {
    expect(parsePitch(text)).toMatchObject({ ok: false, error: { code } });
  });
});

describe('sets and tunings', () => {
  test.each(STRING_SETS.map((s) => [s.id, s] as const))(
    '%s: every string bears, none is thinner than its core',
    (_, set) => {
      for (const s of set.strings) {
        expect(s.gauge).toBeGreaterThan(0.1);
        expect(bearingDiameter(s)).toBeLessThanOrEqual(s.gauge);
        expect(unitMass(s)).toBeGreaterThan(0);
      }
    },
  );

  test.each(Object.entries(TUNINGS))('%s: every note can be read', (_, notes) => {
    expect(frequenciesOf(notes)).toHaveLength(notes.length);
  });

  test('a light acoustic set pulls about 730 N at standard pitch, each string between 75 and 140', () => {
    const set = STRING_SETS.find((s) => s.id === 'acoustic-12');
    const notes = TUNINGS['guitar, standard'] ?? [];
    const pull = setPull(648, set?.strings ?? [], frequenciesOf(notes));
    expect(pull.total).toBeGreaterThan(680);
    expect(pull.total).toBeLessThan(780);
    for (const t of pull.tensions) expect(t > 75 && t < 140).toBe(true);
  });

  test('one pitch for each string', () => {
    expect(() => setPull(648, [{ kind: 'plain', gauge: 0.3 }], [])).toThrow(RangeError);
    expect(() => frequenciesOf(['X2'])).toThrow(RangeError);
  });

  test.each([
    [700, 770, 'more'],
    [700, 630, 'less'],
    [700, 703, 'the same'],
    [700, 707, 'the same'],
    [700, 693, 'the same'],
    [0, 0, 'the same'],
  ])('from %d to %d N: %s relief', (before, after, relief) => {
    expect(pullChange(before, after)).toEqual({ before, after, change: after - before, relief });
  });
});
