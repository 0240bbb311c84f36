import fc from 'fast-check';
import { fretTopsOver, topsByFret } from './fret-tops.ts';

const read = (quantity: 'fret-height' | 'fret-rock' | 'relief', fret: number, value: number) => ({
  quantity,
  fret,
  value,
});

describe('fret tops over the usual one', () => {
  test('heights are taken across, then over the middle one of the neck', () => {
    const tops = topsByFret([
      read('fret-height', 1, 1.0),
      read('fret-height', 1, 1.2),
      read('fret-height', 2, 1.3),
      read('fret-height', 3, 0.9),
      read('relief', 7, 9),
    ]);
    expect([...tops.keys()]).toEqual([1, 2, 3]);
    expect(tops.get(1)).toBeCloseTo(0, 12);
    expect(tops.get(2)).toBeCloseTo(0.2, 12);
    expect(tops.get(3)).toBeCloseTo(-0.2, 12);
  });

  test('the rocker speaks where no height was read, the height where both were', () => {
    const tops = topsByFret([
      read('fret-rock', 4, 0.08),
      read('fret-rock', 5, 0.3),
      read('fret-height', 5, 1.15),
      read('fret-height', 6, 1.0),
      read('fret-height', 7, 1.0),
    ]);
    expect(tops.get(4)).toBe(0.08);
    expect(tops.get(5)).toBeCloseTo(0.15, 12);
  });

  test('as an array by fret: nothing where nothing was read, none past the last fret', () => {
    expect(fretTopsOver(3, [])).toEqual(Float64Array.of(0, 0, 0, 0));
    const read3 = [read('fret-rock', 2, 0.1), read('fret-rock', 3, 0.2), read('fret-rock', 4, 0.4)];
    expect(fretTopsOver(3, read3)).toEqual(Float64Array.of(0, 0, 0.1, 0.2));
  });

  test('all frets filed by as much stand as they stood to each other', () => {
    const heights = fc.array(fc.double({ min: 0.5, max: 1.4, noNaN: true }), { minLength: 1, maxLength: 24 });
    fc.assert(
      fc.property(heights, fc.double({ min: 0, max: 0.4, noNaN: true }), (all, off) => {
        const [before, after] = [0, off].map((by) =>
          fretTopsOver(
            all.length,
            all.map((v, i) => read('fret-height', i + 1, v - by)),
          ),
        );
        expect(before?.filter((_, i) => i > 0 && before[i] === 0).length).toBeGreaterThan(0);
        after?.forEach((v, i) => expect(v).toBeCloseTo(before?.[i] ?? NaN, 9));
      }),
    );
  });
});
