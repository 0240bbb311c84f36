import { asRead } from './as-read.ts';

const band = { low: 1.5, aim: 1.7, high: 2 };
const stations = [
  { key: 'action:6:12', quantity: 'action' as const, label: 'Action at 12, string 6', target: band },
  { key: 'action:1:12', quantity: 'action' as const, label: 'Action at 12, string 1', target: band },
  { key: 'relief:0:7', quantity: 'relief' as const, label: 'Relief', target: null },
];
const read = (key: string, value: number, notRepresentative: string | null = null) => ({
  key,
  value,
  uncertainty: 0.05,
  notRepresentative,
});

test('what the sheet has of it is said with where it lies, by no finer than the gauge tells', () => {
  const readings = [read('action:6:12', 1.3), read('action:1:12', 1.47), read('relief:0:7', 0.2)];
  const sheet = { stations, readings, stale: [] };
  expect(asRead('action', sheet)).toBe(
    'On the sheet: Action at 12, string 6: 1.3000 mm, under its band; Action at 12, string 1: 1.4700 mm, in its band.',
  );
  expect(asRead('relief', sheet)).toBe('On the sheet: Relief: 0.200 mm.');
  expect(asRead('capo', sheet)).toBe('');
});

test('what is stale, or was read with a string missing, is not there', () => {
  const readings = [read('action:6:12', 2.4), read('action:1:12', 1.7, 'taken with a string missing')];
  expect(asRead('action', { stations, readings, stale: [] })).toBe(
    'On the sheet: Action at 12, string 6: 2.4000 mm, over its band.',
  );
  expect(asRead('action', { stations, readings, stale: ['action:6:12'] })).toBe('');
  expect(asRead('action', { stations, readings: [], stale: [] })).toBe('');
});
