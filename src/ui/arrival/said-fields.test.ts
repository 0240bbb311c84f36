import { saidInput, type SaidTexts } from './said-fields.ts';

const TYPED: SaidTexts = {
  complaint: 'Buzzes',
  wish: '',
  matters: null,
  setPaidBy: null,
  plays: 'on stage',
  touch: 'heavy',
  neededBy: '2026-12-02',
  hardDate: true,
  hardReason: 'a concert',
  limit: '80',
  name: 'Petra Aldous',
  phone: '',
  email: '',
  customerVersion: 3,
};

test('without a date none is hard, and nothing is its reason', () => {
  const { said } = saidInput(1, 2, { ...TYPED, neededBy: '' }, 'wrong job', 'XXX');
  expect([said.neededBy, said.hardDate, said.hardReason]).toEqual([null, false, '']);
});

test('what is typed is given with the versions it began from', () => {
  expect(saidInput(1, 2, TYPED, 'misheard', 'XXX')).toMatchObject({
    jobId: 1,
    version: 2,
    said: { neededBy: '2026-12-02', hardDate: true, limitMinor: 8_000 },
    customer: { version: 3, name: 'Petra Aldous' },
    why: 'misheard',
  });
});
