import { dangerOf, type Promised } from './danger.ts';
import { readScan } from './scan.ts';

const TODAY = '2026-11-25';
const fine: Promised = {
  neededBy: '2026-11-26',
  hardDate: false,
  waitingFor: 'hands',
  waitingUntil: null,
  stepsOpen: 0,
  asked: 0,
};

test.each<[string, Partial<Promised>, string | null]>([
  ['nobody waits for it', { neededBy: null, stepsOpen: 9 }, null],
  ['on its way home', { neededBy: '2026-01-01', waitingFor: 'home' }, null],
  ['yesterday', { neededBy: '2026-11-24' }, 'late'],
  [
    'its part comes after its day',
    { waitingFor: 'part', waitingUntil: Date.parse('2026-11-27T00:00:00Z') },
    'the part comes too late',
  ],
  ['rests over its day', { waitingUntil: Date.parse('2026-11-27T00:00:00Z') }, 'rests past its day'],
  ['rests to the last minute of its day', { waitingUntil: Date.parse('2026-11-26T23:59:00Z') }, null],
  ['no part, soon', { waitingFor: 'part' }, 'a part is missing'],
  ['no part, but time', { waitingFor: 'part', neededBy: '2026-12-20' }, null],
  ['no answer', { asked: 2 }, 'no answer yet'],
  ['waits for a word', { waitingFor: 'word' }, 'no answer yet'],
  ['steps, tomorrow', { stepsOpen: 3 }, '3 steps to go'],
  ['steps, in two days', { stepsOpen: 3, neededBy: '2026-11-27' }, null],
  ['steps, in two days, on stage', { stepsOpen: 3, neededBy: '2026-11-27', hardDate: true }, '3 steps to go'],
  ['nobody waits for it, though a part is missing', { neededBy: null, waitingFor: 'part' }, null],
  ['on its way home tomorrow, steps open', { waitingFor: 'home', stepsOpen: 3, asked: 1 }, null],
  ['rests to its midnight', { waitingUntil: Date.parse('2026-11-27T00:00:00Z') - 1 }, null],
  ['today', { neededBy: TODAY, stepsOpen: 1 }, '1 steps to go'],
  ['done', {}, null],
])('%s', (_what, more, danger) => {
  expect(dangerOf({ ...fine, ...more }, TODAY)).toBe(danger);
});

const PLACES = [
  { id: 6, name: 'B2' },
  { id: 9, name: 'Bench 1' },
  { id: 3, name: '12' },
];
test.each([
  ['http://127.0.0.1:4370/job/412', { kind: 'job', number: 412 }],
  ['https://shop.example/job/412/work', { kind: 'job', number: 412 }],
  [' 412 ', { kind: 'job', number: 412 }],
  ['b2', { kind: 'place', id: 6, name: 'B2' }],
  ['BENCH 1', { kind: 'place', id: 9, name: 'Bench 1' }],
  ['12', { kind: 'place', id: 3, name: '12' }],
  ['Z9', { kind: 'unknown', text: 'Z9' }],
  [
    'http://127.0.0.1:4370/job/412/work?page=2',
    { kind: 'unknown', text: 'http://127.0.0.1:4370/job/412/work?page=2' },
  ],
  ['412 sheets', { kind: 'unknown', text: '412 sheets' }],
  ['job 412', { kind: 'unknown', text: 'job 412' }],
])('a scanner that types %s means %o', (text, meant) => {
  expect(readScan(text, PLACES)).toEqual(meant);
});
