import { saySentence, type HistoryNames } from './say-sentence.ts';

const none = () => '';
const names: HistoryNames = {
  ...{ line: none, item: none, place: none, thing: none, operation: none, list: none },
  person: (id) => (id === 2 ? 'Tomas Vey' : ''),
  money: String,
  day: (day) => day,
};
const says = (kind: string, data: unknown, entityId = '1') =>
  saySentence({ kind, entity: 'setting', entityId, data }, names);

test.each<[string, object, string, string]>([
  [
    'shop changed',
    {
      before: { name: 'Our shop', tax: { rates: [1] }, paper: 'A4' },
      after: { name: 'Fretworks', tax: { rates: [2] }, paper: 'A4' },
    },
    '1',
    'changed the shop: name, tax',
  ],
  ['shop changed', { before: { name: 'a' }, after: { name: 'a' } }, '1', 'changed the shop'],
  [
    'file taken back',
    { jobs: 1, instruments: 0, customers: 2, stay: 0 },
    'x',
    'took out again what a file had brought in: 1 job, 2 customers',
  ],
  [
    'inside said',
    { instrument: 'Kestrow Lantern', name: 'Tone condenser', value: '22 nF', wires: 'lug 2 to the case' },
    '1',
    'wrote down what is inside Kestrow Lantern: Tone condenser, 22 nF: lug 2 to the case',
  ],
  [
    'inside changed',
    { instrument: 'Kestrow Lantern', name: 'Volume', value: '', wires: '', gone: 'scratched, a new one' },
    '1',
    'took out of Kestrow Lantern: Volume: scratched, a new one',
  ],
  [
    'clock set',
    { minutes: -60 },
    'clock',
    'saw the machine’s clock set back by 60 min, and kept the length of what ran',
  ],
  [
    'person changed',
    { before: { role: 'desk', name: 'x' }, after: { role: 'lead', name: 'x' } },
    '2',
    'changed Tomas Vey: role',
  ],
  ['person left', {}, '9', 'said that somebody has left'],
  [
    'kind retired',
    { name: 'Octave mandolin', retired: true },
    '1',
    'no longer offers the kind Octave mandolin',
  ],
  ['kind retired', { name: 'Octave mandolin', retired: false }, '1', 'offers again the kind Octave mandolin'],
  ['logo changed', { before: 'a', after: null }, 'logo', 'took the logo away'],
  ['operations saved', { note: 'dearer' }, '4', 'kept the operations: dearer'],
  ['device renamed', { before: 'Bench 1', after: 'Window' }, '3', 'called the tablet Bench 1 now Window'],
])('%s %j', (kind, data, id, sentence) => {
  expect(says(kind, data, id)).toBe(sentence);
});
