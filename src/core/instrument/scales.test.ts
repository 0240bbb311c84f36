import fc from 'fast-check';
import { fretPosition } from '../neck/fret-position.ts';
import { usualConstruction } from './defaults.ts';
import { readScales, sayScales, scalesText } from './read-scales.ts';
import { alongNeck, alongString, fretAlong, scaleOf } from './scales.ts';

const inches = (n: number): number => n * 25.4;
const FAN = { bass: inches(34), treble: inches(32), straight: 7 };
const bass = usualConstruction('bass');
const fanned = { ...bass, scale: inches(33), fan: FAN };

describe('reading scales', () => {
  test.each<[string, object]>([
    ['648', { scale: 648 }],
    ['25.5 in', { scale: inches(25.5) }],
    ['25-1/2 in', { scale: inches(25.5) }],
    ['34–32 in at 7', { scale: inches(33), fan: FAN }],
    ['32 in to 34 in, straight at the 7th', { scale: inches(33), fan: FAN }],
    ['864 - 813 at 7', { scale: 838.5, fan: { bass: 864, treble: 813, straight: 7 } }],
    ['660-640 @9', { scale: 650, fan: { bass: 660, treble: 640, straight: 9 } }],
    ['660 and 640 at fret 12', { scale: 650, fan: { bass: 660, treble: 640, straight: 12 } }],
    ['660–640 at the nut', { scale: 650, fan: { bass: 660, treble: 640, straight: 0 } }],
    ['650–650 at 7', { scale: 650 }],
  ])('%s', (text, read) => {
    const said = readScales(text);
    expect(said.ok && said.value).toEqual(expect.objectContaining({ scale: expect.any(Number) as number }));
    if (!said.ok) return;
    const wanted = read as { scale: number; fan?: typeof FAN };
    expect(said.value.scale).toBeCloseTo(wanted.scale, 6);
    expect(said.value.fan === undefined).toBe(wanted.fan === undefined);
    if (wanted.fan) {
      expect(said.value.fan?.bass).toBeCloseTo(wanted.fan.bass, 6);
      expect(said.value.fan?.treble).toBeCloseTo(wanted.fan.treble, 6);
      expect(said.value.fan?.straight).toBe(wanted.fan.straight);
    }
  });

  test.each([
    ['', /Nothing is written/],
    ['long', /not a length/],
    ['25.5', /unit/],
    ['864–813', /which fret stands straight/],
    ['34–32 at 7', /unit/],
    ['864–600 at 7', /too far apart/],
    ['864–813 at 30', /beyond/],
  ])('%s is refused', (text, why) => {
    const said = readScales(text);
    expect(said.ok ? '' : said.error).toMatch(why);
  });

  test('what is printed reads back as it was', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2500, max: 9500 }),
        fc.integer({ min: 1, max: 600 }),
        fc.integer({ min: 0, max: 24 }),
        (treble, more, straight) => {
          const fan = { treble: treble / 10, bass: (treble + more) / 10, straight };
          fc.pre(fan.bass / fan.treble <= 1.25);
          const read = readScales(scalesText({ scale: 0, fan }));
          expect(read.ok && read.value.fan).toEqual(fan);
        },
      ),
    );
    expect(sayScales(fanned)).toBe('863.6 to 812.8 mm, straight at fret 7');
  });
});

describe('where frets lie', () => {
  test('each string has its own scale, in a straight line across; strings of a course share theirs', () => {
    expect(fanned.strings.map((_, i) => Math.round(scaleOf(fanned, i) * 10) / 10)).toEqual([
      863.6, 846.7, 829.7, 812.8,
    ]);
    const twelve = {
      ...usualConstruction('twelve-string'),
      fan: { bass: 660, treble: 640, straight: 9 },
      scale: 650,
    };
    expect(twelve.strings.map((_, i) => scaleOf(twelve, i))).toEqual([
      660, 660, 656, 656, 652, 652, 648, 648, 644, 644, 640, 640,
    ]);
    expect(scaleOf(bass, 0)).toBe(bass.scale);
    expect(alongString(bass, 2)).toBe(bass);
    expect(alongString(fanned, 3)).toMatchObject({ scale: inches(32) });
    expect(alongString(fanned, 3)).not.toHaveProperty('fan');
  });

  test('the straight fret is square to the neck, those before it lean one way and those after it the other', () => {
    const lean = (fret: number) => fretAlong(fanned, 1, fret) - fretAlong(fanned, 0, fret);
    expect(lean(7)).toBeCloseTo(0, 9);
    expect(lean(0)).toBeGreaterThan(0);
    expect(lean(24)).toBeLessThan(0);
    // From the nut to any fret a string has what its own scale says.
    for (const across of [0, 0.4, 1])
      for (const n of [1, 7, 12, 20])
        expect(fretAlong(fanned, across, n) - fretAlong(fanned, across, 0)).toBeCloseTo(
          fretPosition(inches(34 - 2 * across), n),
          9,
        );
    expect(alongNeck(fanned, 0, 100)).toBeCloseTo(100 + fretAlong(fanned, 0, 0), 9);
    expect(fretAlong(bass, 0.3, 5)).toBe(fretPosition(bass.scale, 5));
  });
});
