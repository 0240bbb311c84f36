import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS } from '../instrument/kinds.ts';
import { allStations } from '../readings/stations.ts';
import { itemsFor } from './checklist.ts';
import { stationsOfItem } from './item-stations.ts';
import { BENCH_ARRIVAL } from './lists/bench-arrival.ts';

const steel = allStations(usualConstruction('steel-acoustic'));

const item = (key: string) => BENCH_ARRIVAL.items.find((i) => i.key === key) ?? { key, reading: undefined };

test('at least eighteen items of the bench list carry the reading they stand for', () => {
  expect(BENCH_ARRIVAL.items.filter((i) => i.reading !== undefined).length).toBeGreaterThanOrEqual(20);
});

test('of the frets’ heights the three that tell the wear are read, three places across', () => {
  expect(stationsOfItem(steel, item('fret-height')).map((s) => s.fret)).toEqual([
    1, 1, 1, 5, 5, 5, 12, 12, 12,
  ]);
});

test.each([
  ['relief', ['relief:0:7']],
  ['action', ['action:6:12', 'action:1:12']],
  ['last-fret', ['action:6:20', 'action:1:20']],
  ['bridge-thick', ['slot-depth:0:0', 'bridge-thickness:0:0']],
  ['pin-holes', ['pin-taper:0:0']],
  ['far-end', ['fall-away:0:20']],
])('%s is read at its own places', (key, places) => {
  expect(stationsOfItem(steel, item(key)).map((s) => s.key)).toEqual(places);
});

test('every item of the list with a reading has a place on an instrument it is asked of', () => {
  for (const kind of KINDS) {
    const c = usualConstruction(kind);
    const places = allStations(c);
    for (const i of itemsFor(BENCH_ARRIVAL, c).filter((x) => x.reading !== undefined))
      expect([kind, i.key, stationsOfItem(places, i).length > 0]).toEqual([kind, i.key, true]);
  }
});

test('of everything else every place', () => {
  expect(stationsOfItem(steel, item('nut-gap'))).toHaveLength(6);
  expect(stationsOfItem(steel, item('neck-angle')).length).toBeGreaterThan(0);
});
