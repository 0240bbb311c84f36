import type { Day } from '../days/zone.ts';
import { askedAgain, isAsked, type AfterNote } from './afterwards.ts';

const note = (more: Partial<AfterNote>): AfterNote => ({
  source: 'watch:1',
  outcome: 'later',
  againOn: null,
  day: '2026-11-10' as Day,
  ...more,
});
const TODAY = '2026-11-20' as Day;

test('what nobody called about is asked; what was put off comes on its day', () => {
  expect(isAsked('watch:1', [], TODAY)).toBe(true);
  expect(isAsked('watch:1', [note({ againOn: '2026-11-20' as Day })], TODAY)).toBe(true);
  expect(isAsked('watch:1', [note({ againOn: '2026-11-21' as Day })], TODAY)).toBe(false);
  expect(isAsked('watch:1', [note({})], TODAY)).toBe(false);
});

test('nobody answered: again in two days; who said they would come and did not: in thirty', () => {
  expect(askedAgain(note({ outcome: 'no-answer' }))).toBe('2026-11-12');
  expect(askedAgain(note({ outcome: 'written' }))).toBe('2026-11-17');
  expect(askedAgain(note({ outcome: 'coming' }))).toBe('2026-12-10');
  expect(isAsked('watch:1', [note({ outcome: 'no-answer' })], TODAY)).toBe(true);
});

test('who wants no such calls is called about a check that was offered only', () => {
  const never = [note({ source: 'season:2027', outcome: 'never' })];
  expect(isAsked('watch:1', never, TODAY)).toBe(false);
  expect(isAsked('season:2028', never, TODAY)).toBe(false);
  expect(isAsked('check:401', never, TODAY)).toBe(true);
});
