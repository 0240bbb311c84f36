import { NO_HOURS } from '../days/opening.ts';
import { isLanguage, sayDateIn, sayWeekIn } from './in-language.ts';

const DAY = [{ from: 540, to: 1080 }];
const HOURS = { ...NO_HOURS, monday: DAY, tuesday: DAY, saturday: [{ from: 600, to: 780 }] };

test.each([
  ['en', true],
  ['de', true],
  ['pt-BR', true],
  ['', false],
  ['the local one', false],
])('“%s” is a language: %s', (tag, is) => {
  expect(isLanguage(tag)).toBe(is);
});

test('days are said in the language of the messages, in English the shop’s way', () => {
  expect(sayDateIn('2026-12-16', 'en', 'month-day')).toBe('December 16, 2026');
  expect(sayDateIn('2026-12-16', 'en-NZ', 'day-month')).toBe('16 December 2026');
  expect(sayDateIn('2026-12-16', 'de', 'day-month')).toBe('16. Dezember 2026');
  expect(sayDateIn('2026-12-16', 'fr', 'iso')).toBe('16 décembre 2026');
});

test('hours too, with the weekdays’ own names', () => {
  expect(sayWeekIn(HOURS, 'en')).toBe('Mon–Tue 9:00–18:00, Sat 10:00–13:00');
  expect(sayWeekIn(HOURS, 'de')).toBe('Mo 9:00–18:00, Di 9:00–18:00, Sa 10:00–13:00');
  expect(sayWeekIn(null, 'de')).toBe('');
});
