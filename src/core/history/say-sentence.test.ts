import { saySentence, type HistoryNames } from './say-sentence.ts';

const names: HistoryNames = {
  line: (id) => (id === 3 ? 'Adjust the truss rod' : ''),
  item: () => 'Frets level',
  person: (id) => (id === 2 ? 'Tomas Vey' : ''),
  place: (id) => (id === 7 ? 'B4' : ''),
  thing: (id) => (id === 9 ? 'hard case' : ''),
  operation: () => 'wipe the body down',
  list: () => 'Plain setup',
  money: (minor) => `¤${(minor / 100).toFixed(2)}`,
  day: (day) => day,
};
const says = (kind: string, data: unknown, entityId = '1', entity = 'job') =>
  saySentence({ kind, entity, entityId, data }, names);

test.each([
  [
    'reading taken',
    { before: { typed: '5/64' }, after: { typed: '4/64' } },
    'as-found:action:6:12',
    'read as found: action at fret 12, string 6: 4/64 (before: 5/64)',
  ],
  [
    'reading taken',
    { before: null, after: { typed: '.010' } },
    'as-left:relief:0:7',
    'read as left: relief at fret 7: .010',
  ],
  [
    'reading taken',
    { before: null, after: { typed: '3', unit: 'cents' } },
    'as-found:intonation:6:12',
    'read as found: intonation at fret 12, string 6: 3 cents',
  ],
  [
    'reading taken',
    { before: null, after: { typed: '.003', unit: 'thou' } },
    'as-found:nut-gap:2:1',
    'read as found: gap over fret 1 at string 2: .003',
  ],
  [
    'item answered',
    { before: null, after: { answer: 'work', note: '9th rocks' } },
    'fret-level',
    'found “Frets level” needs work: 9th rocks',
  ],
  [
    'item answered',
    { before: { answer: 'fine' }, after: { answer: null, note: '' } },
    'fret-level',
    'took the answer back to “Frets level” (before: fine)',
  ],
  ['step finish', { before: 'running' }, '3', 'finished Adjust the truss rod'],
  ['step finish', { before: 'running' }, '4', 'finished a line of the order'],
  [
    'customer said yes',
    { by: 'Petra', how: 'by telephone' },
    '3',
    'Petra said yes to Adjust the truss rod: by telephone',
  ],
  [
    'job moved',
    {
      before: { placeId: null, waitingFor: 'hands', waitingNote: '', holderId: null },
      after: { placeId: 7, waitingFor: 'time', waitingNote: 'glue', holderId: 2 },
    },
    '1',
    'hung it at B4; it waits for time: glue; Tomas Vey has it in hand',
  ],
  [
    'job corrected',
    {
      before: { complaint: 'It buzes', limitMinor: null },
      after: { complaint: 'It buzzes', limitMinor: 4500 },
      why: 'misheard',
    },
    '1',
    'corrected what was said: their words: It buzzes instead of It buzes; their limit: ¤45.00 instead of nothing, because: misheard',
  ],
  ['thing returned', { after: { returned: true, absence: '' } }, '9', 'gave back: hard case'],
  [
    'thing returned',
    { after: { returned: false, absence: 'left at home' } },
    '9',
    'wrote that hard case is not given back: left at home',
  ],
  [
    'paid',
    { after: { kind: 'deposit', amount: 3000, how: 'cash' } },
    '1',
    'wrote down: Deposit of ¤30.00: cash',
  ],
  ['paid', { after: { amount: 3000, how: 'cash' } }, '1', 'wrote down: Payment of ¤30.00: cash'],
  [
    'discount given',
    { after: { kind: 'share', value: 1000, reason: 'a regular' } },
    '1',
    'took 10 % off, because: a regular',
  ],
  [
    'rod turned',
    { eighths: -2, before: 0.3, after: 0.41 },
    '1',
    'turned the rod a quarter turn looser; relief since: 0.410 mm',
  ],
  [
    'cut logged',
    { operation: 'saddle-lower', place: 'bass', meant: 0.6, took: 0.62 },
    '1',
    'took 0.620 mm off the saddle, bass side; 0.600 mm was meant',
  ],
  [
    'job ended',
    { after: { ending: 'called-off', note: 'by telephone' } },
    '1',
    'ended it without a signature: called off: by telephone',
  ],
  ['signed', { signer: 'Petra Aldous' }, '1', 'had it signed by Petra Aldous: sealed and closed'],
])('%s %j of %s', (kind, data, id, said) => {
  expect(says(kind, data, id)).toBe(said);
});

test('a kind nobody has given a sentence has none', () => {
  expect(says('stars aligned', {})).toBeNull();
});

test('whatever stands in an entry, no sentence throws', () => {
  for (const data of [null, undefined, 3, 'x', [], {}, { before: 1, after: [] }])
    for (const kind of ['job moved', 'paid', 'item answered', 'instrument changed', 'rod turned'])
      expect(typeof says(kind, data)).toBe('string');
});
