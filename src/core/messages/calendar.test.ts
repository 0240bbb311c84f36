import ICAL from 'ical.js';
import fc from 'fast-check';
import { calendarFeed, calendarFile, type CalendarEntry } from './calendar.ts';

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
      // What ends a line in some reader's eyes is the end of a line: they come back as one.
      const plain = words.replace(/\p{Cc}/gu, ' ').replace(/[\u2028\u2029]/g, '\n');
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

test.each([
  ['a', 1],
  ['\u007f', 1],
  ['\u0080', 2],
  ['é', 2],
  ['\u07ff', 2],
  ['\u0800', 3],
  ['“', 3],
  ['\uffff', 3],
  ['\u{10000}', 4],
  ['🎸', 4],
])('a line of “%s” is folded before a character of its %d bytes would not fit', (c, size) => {
  const lines = calendarFile({ ...entry, summary: c.repeat(200) }).split('\r\n');
  const at = lines.findIndex((l) => l.startsWith('SUMMARY:'));
  const folded = lines.slice(
    at,
    lines.findIndex((l) => l.startsWith('DESCRIPTION:')),
  );
  expect([...(folded[0] ?? '')].length - 'SUMMARY:'.length).toBe(Math.floor((75 - 8) / size));
  for (const l of folded.slice(1, -1)) expect([...l].length - 1).toBe(Math.floor(74 / size));
  expect(folded.map((l, i) => (i === 0 ? l.slice('SUMMARY:'.length) : l.slice(1))).join('')).toBe(
    c.repeat(200),
  );
  for (const l of folded) expect(new TextEncoder().encode(l).length).toBeLessThanOrEqual(75);
});

test('a file as a calendar takes it, line by line', () => {
  expect(calendarFile({ ...entry, at: Date.UTC(2026, 10, 25, 14, 30, 5, 678) }).split('\r\n')).toEqual([
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Rubrica//Rubrica//EN',
    'CALSCALE:GREGORIAN',
    'BEGIN:VEVENT',
    'UID:rest-1@rubrica.invalid',
    'DTSTAMP:20261125T090000Z',
    'SEQUENCE:0',
    'DTSTART:20261125T143005Z',
    'DTEND:20261125T144505Z',
    'SUMMARY:Glue has set',
    'DESCRIPTION:Heron\\, place B1\\; clamp off',
    'LOCATION:Quillmere Fretworks',
    'END:VEVENT',
    'END:VCALENDAR',
    '',
  ]);
  expect(
    calendarFile({ ...entry, at: '2026-12-31' })
      .split('\r\n')
      .slice(8, 10),
  ).toEqual(['DTSTART;VALUE=DATE:20261231', 'DTEND;VALUE=DATE:20270101']);
});

test.each(['a\rEND:VEVENT', 'a\r\nb', 'a\nb', 'a\u2028b', 'a\u0085b', 'a\u000bb'])(
  'no words end a line of it: %j',
  (words) => {
    const text = calendarFile({ ...entry, summary: words, description: words, where: words });
    expect(text.split(/\r\n|[\n\r\v\f\u0085\u2028\u2029]/).length).toBe(
      calendarFile(entry).split('\r\n').length,
    );
    expect(read(text).summary).toMatch(/^a\n/);
  },
);

test('many entries are one calendar that an independent parser reads', () => {
  const all = Array.from({ length: 30 }, (_, i) => ({
    ...entry,
    uid: `step-${i}@rubrica.invalid`,
    summary: `40${i} Fit, level; crown`,
    at: Date.UTC(2026, 10, 25, 9) + i * 3_600_000,
    minutes: 45,
  }));
  const text = calendarFeed('Tomas, at the bench', 'Europe/Madrid', all);
  const read = new ICAL.Component(ICAL.parse(text) as unknown[]);
  const events = read.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
  expect(events.map((e) => e.summary)).toEqual(all.map((e) => e.summary));
  expect(events.map((e) => e.startDate.toJSDate().getTime())).toEqual(all.map((e) => e.at));
  expect(read.getFirstPropertyValue('x-wr-timezone')).toBe('Europe/Madrid');
  for (const line of text.split('\r\n'))
    expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
});
