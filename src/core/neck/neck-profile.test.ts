import fc from 'fast-check';
import { fretPosition } from './fret-position.ts';
import { neckProfile, type ProfilePoint } from './neck-profile.ts';

const L = 648;
const SPAN = { low: 1, high: 14 };
const x = (n: number) => fretPosition(L, n);
const bow = (n: number, depth: number) => (depth * 4 * (x(n) - x(1)) * (x(14) - x(n))) / (x(14) - x(1)) ** 2;
const FRETS = [3, 5, 7, 9, 11];
const even = (depth: number, side: ProfilePoint['side'] = 'bass'): ProfilePoint[] =>
  FRETS.map((fret) => ({ fret, gap: bow(fret, depth), side }));

test('an even bow is its relief, whichever way, and nothing else', () => {
  fc.assert(
    fc.property(fc.double({ min: -0.6, max: 1, noNaN: true }), (depth) => {
      const said = neckProfile(L, [...even(depth), ...even(depth, 'treble')], SPAN);
      expect(said.relief).toBeCloseTo(depth, 9);
      expect(said.hump).toBeCloseTo(0, 9);
      expect(said.rise).toBeCloseTo(0, 9);
      expect(said.twist).toBeCloseTo(0, 9);
    }),
  );
});

test('a hump stands over the bow where it is, and does not change the bow', () => {
  const points = even(0.3).map((p) => (p.fret === 7 ? { ...p, gap: p.gap - 0.08 } : p));
  const said = neckProfile(L, points, SPAN);
  expect(said.relief).toBeCloseTo(0.3, 6);
  expect(said.hump).toBeCloseTo(0.08, 6);
  expect(said.humpAt).toBe(7);
});

test('a far end that stands over the line is a rise, one under it a fall-away', () => {
  const end = (gap: number): ProfilePoint[] => [
    ...even(0.2),
    { fret: 17, gap: gap / 2, side: 'bass' },
    { fret: 20, gap, side: 'bass' },
  ];
  expect(neckProfile(L, end(-0.3), SPAN)).toMatchObject({ rise: 0.3, riseFrom: 17 });
  expect(neckProfile(L, end(0.25), SPAN).rise).toBeCloseTo(-0.25, 9);
  expect(neckProfile(L, end(-0.3), SPAN).relief).toBeCloseTo(0.2, 6);
});

test('sides that bow differently are a twist, the bass side first', () => {
  const said = neckProfile(L, [...even(0.4), ...even(0.1, 'treble')], SPAN);
  expect(said.twist).toBeCloseTo(0.3, 9);
  expect(said.relief).toBeCloseTo(0.25, 9);
  expect(neckProfile(L, even(0.4), SPAN).twist).toBe(0);
});

test('the surface is every place as it was read, from the line', () => {
  const said = neckProfile(
    L,
    [
      { fret: 7, gap: 0.2, side: 'treble' },
      { fret: 5, gap: 0.1, side: 'bass' },
      { fret: 7, gap: -0.05, side: 'bass' },
    ],
    SPAN,
  );
  expect(said.surface).toEqual([
    { fret: 5, bass: -0.1, treble: null },
    { fret: 7, bass: 0.05, treble: -0.2 },
  ]);
});

test('with nothing read between the ends nothing can be said', () => {
  expect(() => neckProfile(L, [{ fret: 1, gap: 0, side: 'bass' }], SPAN)).toThrow(RangeError);
});
