/** Metal left is counted place by place: a pit loses its height where it is, the metal comes off elsewhere. */
import { fretLevel, heightAt, leastHeight, meanHeight, type FretTops } from './fret-level.ts';

const even = (fret: number): FretTops => ({
  fret,
  bass: 0,
  middle: 0,
  treble: 0,
  height: { bass: 1, middle: 1, treble: 1 },
});
const FRETS = [1, 2, 3, 5, 7, 12].map(even);

test('a fret that is high at the bass and worn at the treble keeps what the worn place has', () => {
  const worn: FretTops = {
    fret: 4,
    bass: 0.1,
    middle: 0,
    treble: 0,
    height: { bass: 1.1, middle: 1, treble: 0.62 },
  };
  const level = fretLevel(648, [...FRETS, worn], 0.6);
  const found = level.frets.find((f) => f.fret === 4);
  expect(found?.removal.bass).toBeCloseTo(0.1, 9);
  expect(found?.left).toBeCloseTo(0.62, 9);
  expect(level.underMinimum).toEqual([]);
  // Counted alike everywhere, the same fret would be written off.
  const alike = fretLevel(648, [...FRETS, { ...worn, height: 0.62 }], 0.6);
  expect(alike.underMinimum).toEqual([4]);
});

test('a number is the height of all three places', () => {
  const one = fretLevel(
    648,
    [...FRETS.map((f) => ({ ...f, height: 1 })), { ...even(4), bass: 0.1, height: 1 }],
    0.6,
  );
  const three = fretLevel(648, [...FRETS, { ...even(4), bass: 0.1 }], 0.6);
  expect(one).toEqual(three);
  const f = { height: { bass: 1, middle: 0.8, treble: 0.9 } };
  expect([heightAt(f, 'middle'), leastHeight(f), leastHeight({ height: 0.7 })]).toEqual([0.8, 0.8, 0.7]);
  expect(meanHeight(f)).toBeCloseTo(0.9, 12);
});
