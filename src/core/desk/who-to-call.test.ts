import { whoToCall, whyCall, type Waiting, type Written } from './who-to-call.ts';

const NOW = Date.UTC(2026, 10, 27, 12);
const DAY = 86_400_000;
const waiting = (more: Partial<Waiting>): Waiting => ({
  number: 412,
  jobId: 7,
  customer: 'Petra Aldous',
  phone: '555 0101',
  instrument: 'Wendlow Otter',
  waitingFor: 'hands',
  asked: 0,
  colleagueAsked: false,
  written: [],
  ...more,
});
const wrote = (purpose: string, days: number, more: Partial<Written> = {}): Written => ({
  purpose,
  channel: 'text',
  state: 'delivered',
  at: NOW - days * DAY,
  trouble: '',
  ...more,
});

test.each<[string, Partial<Waiting>, string | null]>([
  ['work goes on', {}, null],
  ['lines wait, nobody asked', { asked: 2 }, '2 lines wait for their word, and nobody has asked'],
  ['one line', { asked: 1 }, '1 line waits for their word, and nobody has asked'],
  ['waits for a word', { waitingFor: 'word' }, 'it waits for their word, and nobody has asked'],
  ['waits for a colleague’s word', { waitingFor: 'word', colleagueAsked: true }, null],
  [
    'a colleague was asked, and lines wait for the customer',
    { waitingFor: 'word', colleagueAsked: true, asked: 1 },
    '1 line waits for their word, and nobody has asked',
  ],
  ['asked yesterday', { asked: 1, written: [wrote('estimate', 1)] }, null],
  ['asked long ago', { asked: 1, written: [wrote('estimate', 3)] }, 'asked 3 days ago, no answer'],
  ['asked again', { asked: 1, written: [wrote('estimate', 9), wrote('estimate', 0)] }, null],
  [
    'it did not arrive',
    { asked: 1, written: [wrote('estimate', 0, { state: 'failed', trouble: 'no such mailbox' })] },
    'what was written did not arrive: no such mailbox',
  ],
  [
    'another message is none',
    { asked: 1, written: [wrote('ready', 1)] },
    '1 line waits for their word, and nobody has asked',
  ],
  ['ready, not told', { waitingFor: 'home' }, 'ready, and not told yet'],
  ['ready, told', { waitingFor: 'home', written: [wrote('ready', 6)] }, null],
  ['ready for long', { waitingFor: 'home', written: [wrote('ready', 8)] }, 'told 8 days ago, not fetched'],
  [
    'called in vain',
    {
      waitingFor: 'home',
      written: [wrote('ready', 1, { channel: 'call', state: 'failed', trouble: 'nobody answered' })],
    },
    'ready: called 1 day ago, nobody answered',
  ],
  [
    'called in vain today',
    {
      asked: 1,
      written: [wrote('estimate', 0, { channel: 'call', state: 'failed', trouble: 'nobody answered' })],
    },
    'their word is wanted: called today, nobody answered',
  ],
])('%s', (_name, more, why) => {
  expect(whyCall(waiting(more), NOW)).toBe(why);
});

test('only those who should be called, with their number', () => {
  const all = [waiting({}), waiting({ number: 413, asked: 1 })];
  expect(whoToCall(all, NOW)).toEqual([
    {
      number: 413,
      jobId: 7,
      about: 'estimate',
      customer: 'Petra Aldous',
      phone: '555 0101',
      instrument: 'Wendlow Otter',
      why: '1 line waits for their word, and nobody has asked',
    },
  ]);
});
