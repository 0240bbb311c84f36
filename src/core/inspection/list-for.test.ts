import type { OperationId } from '../catalogue/operation-ids.ts';
import { listFor } from './list-for.ts';
import { BENCH_ARRIVAL } from './lists/bench-arrival.ts';
import { PLAIN_SETUP } from './lists/plain-setup.ts';

test.each<[string, OperationId[], string]>([
  ['A setup for lighter strings', [], 'plain-setup'],
  ['Too high up the neck, hard to press', [], 'plain-setup'],
  ['Check it over before the season', ['restring', 'rod'], 'plain-setup'],
  ['The strings are old, a setup before fall', [], 'plain-setup'],
  ['It fell off its stand', [], 'bench-arrival'],
  ['There is a crack beside the bridge', [], 'bench-arrival'],
  ['It buzzes at the fifth fret', [], 'bench-arrival'],
  ['Hums when I touch nothing', [], 'bench-arrival'],
  ['A setup', ['fret-dress'], 'bench-arrival'],
])('“%s” with %j: %s', (complaint, order, list) => {
  expect(listFor(complaint, order).list).toBe(list);
  expect(listFor(complaint, order).why).not.toBe('');
});

test('the short list is the bench’s own items, fewer, with all that its readings need', () => {
  const keys = new Set(BENCH_ARRIVAL.items.map((i) => i.key));
  expect(PLAIN_SETUP.items.length).toBeLessThan(BENCH_ARRIVAL.items.length * 0.6);
  for (const i of PLAIN_SETUP.items) expect(keys.has(i.key)).toBe(true);
  for (const key of [
    'relief',
    'action',
    'nut-gap',
    'intonation',
    'rod',
    'sight',
    'far-end',
    'fret-level',
    'cracks',
  ])
    expect(PLAIN_SETUP.items.map((i) => i.key)).toContain(key);
});
