import { usualConstruction } from '../instrument/defaults.ts';
import { allStations } from '../readings/stations.ts';
import { stationsOfItem } from './item-stations.ts';
import { BENCH_ARRIVAL } from './lists/bench-arrival.ts';

const steel = allStations(usualConstruction('steel-acoustic'));

test('at least eighteen items of the bench list carry the reading they stand for', () => {
  expect(BENCH_ARRIVAL.items.filter((i) => i.reading !== undefined).length).toBeGreaterThanOrEqual(18);
});

test('of the frets’ heights the three that tell the wear are read, three places across', () => {
  expect(stationsOfItem(steel, 'fret-height').map((s) => s.fret)).toEqual([1, 1, 1, 5, 5, 5, 12, 12, 12]);
});

test('of everything else every place', () => {
  expect(stationsOfItem(steel, 'nut-gap')).toHaveLength(6);
  expect(stationsOfItem(steel, 'neck-angle').length).toBeGreaterThan(0);
});
