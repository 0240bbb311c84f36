import fc from 'fast-check';
import { addDays } from './zone.ts';
import {
  minuteOf,
  sayTime,
  ALWAYS,
  closedOn,
  NO_HOURS,
  openDay,
  readSpans,
  saySpans,
  sayWeek,
  WEEK,
  weekdayOn,
  weekMinutes,
  type Opening,
  type WeekHours,
} from './opening.ts';

const spans = (text: string) => {
  const read = readSpans(text);
  if (!read.ok) throw new Error(read.error);
  return read.value;
};
const week = (most: string, saturday = ''): WeekHours => ({
  ...NO_HOURS,
  ...Object.fromEntries(WEEK.slice(0, 5).map((d) => [d, spans(most)])),
  saturday: spans(saturday),
});

describe('hours as they are typed', () => {
  test.each<[string, [number, number][]]>([
    ['', []],
    ['closed', []],
    ['–', []],
    ['9-18', [[540, 1080]]],
    [
      '9–12:30, 13:30–18',
      [
        [540, 750],
        [810, 1080],
      ],
    ],
    ['9.30 to 17.15', [[570, 1035]]],
    ['0930-1715', [[570, 1035]]],
    ['9 am – 6 pm', [[540, 1080]]],
    ['12am-12pm', [[0, 720]]],
    [
      '8-12 and 14-24',
      [
        [480, 720],
        [840, 1440],
      ],
    ],
  ])('%s', (text, read) => {
    expect(spans(text)).toEqual(read.map(([from, to]) => ({ from, to })));
  });

  test.each([
    ['nine to five', /Write hours/],
    ['9', /Write hours/],
    ['9-12-14', /Write hours/],
    ['18-9', /ends before/],
    ['9-9', /ends before/],
    ['9-14, 13-18', /begins before/],
    ['9-25', /Write hours/],
    ['9:75-10', /Write hours/],
    ['13 pm - 14', /Write hours/],
  ])('%s is refused', (text, why) => {
    const read = readSpans(text);
    expect(read.ok ? '' : read.error).toMatch(why);
  });

  test('what is printed reads back the same', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 1440 }), { minLength: 2, maxLength: 6 }),
        (times) => {
          const sorted = [...times].sort((a, b) => a - b);
          const all = Array.from({ length: Math.floor(sorted.length / 2) }, (_, i) => ({
            from: sorted[2 * i] ?? 0,
            to: sorted[2 * i + 1] ?? 0,
          }));
          expect(spans(saySpans(all))).toEqual(all);
        },
      ),
    );
  });

  test('a week is said in one line', () => {
    expect(sayWeek(week('9-18', '10-13'))).toBe('Mon–Fri 9:00–18:00, Sat 10:00–13:00');
    expect(sayWeek({ ...week('9-18'), wednesday: [] })).toBe('Mon–Tue 9:00–18:00, Thu–Fri 9:00–18:00');
    expect(sayWeek(null)).toBe('');
    expect(sayWeek(NO_HOURS)).toBe('');
    expect(weekMinutes(week('9-12, 13-17', '10-13'))).toBe(5 * 7 * 60 + 180);
  });
});

describe('days the shop is closed', () => {
  const opening: Opening = {
    hours: week('9-18'),
    closed: [{ from: '2026-12-24', to: '2027-01-02', why: 'the turn of the year' }],
  };

  test('Saturdays and the days that are said, with why', () => {
    expect(weekdayOn('2026-11-27')).toBe('friday');
    expect(closedOn(opening, '2026-11-27')).toBeNull();
    expect(closedOn(opening, '2026-11-28')).toBe('closed on Saturdays');
    expect(closedOn(opening, '2026-12-25')).toBe('the turn of the year');
    expect(
      closedOn({ ...opening, closed: [{ from: '2026-11-27', to: '2026-11-27', why: '' }] }, '2026-11-27'),
    ).toBe('closed');
    expect(closedOn(ALWAYS, '2026-11-29')).toBeNull();
  });

  test('the next open day, and the one before', () => {
    expect(openDay(opening, '2026-11-28')).toBe('2026-11-30');
    expect(openDay(opening, '2026-11-28', -1)).toBe('2026-11-27');
    expect(openDay(opening, '2026-12-24')).toBe('2027-01-04');
    expect(openDay({ hours: NO_HOURS, closed: [] }, '2026-11-28')).toBeNull();
  });

  test('is open, is not before it, and no open day lies between', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3000 }), (n) => {
        const day = addDays('2026-01-01', n);
        const next = openDay(opening, day) ?? '';
        expect(next >= day && closedOn(opening, next) === null).toBe(true);
        for (let d = day; d < next; d = addDays(d, 1)) expect(closedOn(opening, d)).not.toBeNull();
      }),
      { numRuns: 200 },
    );
  });
});

test('a time of day is read as it is said; what is none is nothing', () => {
  for (const at of [0, 65, 545, 1439]) expect(minuteOf(sayTime(at))).toBe(at);
  expect([minuteOf('09:05'), minuteOf('18:00:00')]).toEqual([545, 1080]);
  for (const none of ['', '9', 'noon', '9:5']) expect(minuteOf(none)).toBeNull();
});
