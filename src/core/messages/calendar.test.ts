import ICAL from 'ical.js';
import fc from 'fast-check';
import { calendarFile, type CalendarEntry } from './calendar.ts';

const entry: CalendarEntry = {
  uid: 'rest-1@rubrica.invalid',
  summary: 'Glue has set',
  description: 'Heron, place B1; clamp off',
  where: 'Quillmere Fretworks',
  at: Date.UTC(2026, 10, 25, 14, 30),
  minutes: 15,
  stamp: Date.UTC(2026, 10, 25, 9),
};

const read = (text: string) =>
  new ICAL.Event(
    new ICAL.Component(ICAL.parse(text) as unknown[]).getFirstSubcomponent('vevent') ?? undefined,
  );

test('a moment comes back as it was written', () => {
  const event = read(calendarFile(entry));
  expect(event.startDate.toJSDate()).toEqual(new Date(Date.UTC(2026, 10, 25, 14, 30)));
  expect(event.endDate.toJSDate()).toEqual(new Date(Date.UTC(2026, 10, 25, 14, 45)));
  expect(event.uid).toBe(entry.uid);
});

test('a day is a whole day, over the end of a month', () => {
  const event = read(calendarFile({ ...entry, at: '2026-12-31' }));
  expect(event.startDate.toString()).toBe('2026-12-31');
  expect(event.endDate.toString()).toBe('2027-01-01');
});

test('any words come back, and no line is longer than 75 bytes', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', maxLength: 120 }), (words) => {
      const plain = words.replace(/\p{Cc}/gu, ' ');
      const text = calendarFile({ ...entry, summary: plain });
      for (const line of text.split('\r\n'))
        expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
      expect(read(text).summary).toBe(plain);
    }),
  );
});

test('lines of a description stay lines', () => {
  expect(read(calendarFile({ ...entry, description: 'one\ntwo, three; four\\five' })).description).toBe(
    'one\ntwo, three; four\\five',
  );
});

test.each([Number.NaN, Infinity, 'soon'])('%s is no moment', (at) => {
  expect(() => calendarFile({ ...entry, at })).toThrow(RangeError);
});
