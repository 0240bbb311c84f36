import { usualConstruction } from '../instrument/defaults.ts';
import { allStations, type Station } from '../readings/stations.ts';
import { resolveTarget } from '../targets/resolve.ts';
import { answeredBySheet, saidByNumbers } from './answered-by-sheet.ts';
import { findingOn } from './findings.ts';
import { BENCH_ARRIVAL } from './lists/bench-arrival.ts';

const steel = usualConstruction('steel-acoustic');
const stations = allStations(steel);
const targetOf = (s: Station) => resolveTarget(steel, 'medium', [], s);
const says = (read: Readonly<Record<string, number>>) =>
  answeredBySheet(
    BENCH_ARRIVAL.items,
    stations,
    new Map(Object.entries(read).map(([key, value]) => [key, { value, uncertainty: 0.02 }])),
    targetOf,
  );

test.each<[string, Record<string, number>, string, 'fine' | 'work' | undefined]>([
  ['relief in its band', { 'relief:0:7': 0.2 }, 'relief', 'fine'],
  ['relief out of it', { 'relief:0:7': 0.4 }, 'relief', 'work'],
  ['out by less than its gauge tells', { 'relief:0:7': 0.265 }, 'relief', 'fine'],
  ['one side of the action only', { 'action:6:12': 2.2 }, 'action', undefined],
  ['both sides', { 'action:6:12': 2.2, 'action:1:12': 1.7 }, 'action', 'fine'],
  ['one of them high', { 'action:6:12': 3.2, 'action:1:12': 1.7 }, 'action', 'work'],
  ['what has no band is for the eye', { 'saddle-standout:0:0': 3.5 }, 'saddle-left', undefined],
  ['nothing read', {}, 'relief', undefined],
])('%s', (_, read, item, answer) => {
  expect(says(read).get(item)).toBe(answer);
});

test('a finding that only says what was read asks for nothing; without a reading it asks to read', () => {
  const out = findingOn('relief', 'out');
  expect(saidByNumbers(out, 'relief', says({ 'relief:0:7': 0.4 }))).toBe(true);
  expect(saidByNumbers(out, 'relief', says({ 'relief:0:7': 0.2 }))).toBe(false);
  expect(saidByNumbers(out, 'relief', says({}))).toBe(false);
  expect(saidByNumbers(findingOn('sight', 'hump'), 'relief', says({ 'relief:0:7': 0.4 }))).toBe(false);
});
