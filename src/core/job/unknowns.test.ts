import { unknownAtArrival, type Arrival } from './unknowns.ts';

const ALL: Arrival = {
  phone: '555 0101',
  email: '',
  serial: 'WO-1',
  year: '2009',
  touch: 'light',
  matters: 'neither',
  setUnpaid: false,
  plays: 'strums',
  wish: 'lower',
  neededBy: '2026-12-01',
  limit: 12000,
  construction: { finish: 'lacquer' },
};

test('nothing is open when everything was asked; either way to reach them will do', () => {
  expect(unknownAtArrival(ALL)).toEqual([]);
  expect(unknownAtArrival({ ...ALL, phone: '', email: 'a@b.example' })).toEqual([]);
});

test.each([
  ['telephone or e-mail', { phone: '' }],
  ['serial number', { serial: '' }],
  ['year', { year: '' }],
  ['how hard they play', { touch: null }],
  ['what they play', { plays: '' }],
  ['whether it matters for its price or its history', { matters: null }],
  ['who pays for the set it needs', { setUnpaid: true }],
  ['what they like or dislike', { wish: '' }],
  ['the date it is needed', { neededBy: null }],
  ['the money limit', { limit: null }],
  ['the finish', { construction: { finish: 'unknown' } }],
] as const)('%s alone is named when it alone is open', (words, more) => {
  expect(unknownAtArrival({ ...ALL, ...more })).toEqual([words]);
});

test('a limit of nothing at all is a limit', () => {
  expect(unknownAtArrival({ ...ALL, limit: 0 })).toEqual([]);
});
