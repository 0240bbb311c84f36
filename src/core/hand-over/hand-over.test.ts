import { adviceFor, type AdviceFor } from './advice.ts';
import { sayReading, sayWhatChanged, type BeforeAfterReading } from './customer-sheet.ts';
import { NO_HOURS } from '../days/opening.ts';
import { needsSecond, nextCheckDay, tweakIsFree, USUAL_RULES } from './rules.ts';
import { sheetDrawing } from './sheet-drawing.ts';

const reading = (
  quantity: BeforeAfterReading['quantity'],
  before: number | null,
  after: number | null,
): BeforeAfterReading => ({ label: quantity, quantity, string: 1, fret: 12, before, after });

describe('rules', () => {
  test.each([
    ['never', 9e9, false],
    ['always', null, true],
    ['worth', null, false],
    ['worth', 199_999, false],
    ['worth', 200_000, true],
  ] as const)('second check %s at a worth of %s: %s', (second, worth, wanted) => {
    expect(needsSecond({ ...USUAL_RULES, second }, worth)).toBe(wanted);
  });
  test('a tweak is free to the last moment of the window', () => {
    const day = 86_400_000;
    expect(tweakIsFree(USUAL_RULES, 0, 30 * day)).toBe(true);
    expect(tweakIsFree(USUAL_RULES, 0, 30 * day + 1)).toBe(false);
  });
  test('the next check is whole weeks away, over the turn of a year too', () => {
    expect(nextCheckDay({ ...USUAL_RULES, checkWeeks: 2 }, Date.UTC(2026, 10, 1), 'UTC')).toBe('2026-11-15');
    expect(nextCheckDay(USUAL_RULES, Date.UTC(2026, 11, 20, 23, 59), 'UTC')).toBe('2027-01-10');
    // The shop is closed on that Sunday, and on the day after.
    const opening = {
      hours: { ...NO_HOURS, monday: [{ from: 540, to: 1080 }], tuesday: [{ from: 540, to: 1080 }] },
      closed: [{ from: '2027-01-11', to: '2027-01-11', why: '' }],
    };
    expect(nextCheckDay(USUAL_RULES, Date.UTC(2026, 11, 20, 12), 'UTC', opening)).toBe('2027-01-12');
    // In Auckland it is the next day already.
    expect(nextCheckDay(USUAL_RULES, Date.UTC(2026, 11, 20, 23, 59), 'Pacific/Auckland')).toBe('2027-01-11');
  });
});

describe('what changed, in plain words', () => {
  test('the worked example', () => {
    expect(sayWhatChanged([reading('action', 2.778125, 1.984375)])).toEqual([
      'The strings stand lower: 5/64 (1.98 mm) on average instead of 7/64 (2.78 mm).',
    ]);
  });
  test.each([
    ['relief', 0.36, 0.2, 'straighter'],
    ['relief', 0.1, 0.2, 'a little more bow'],
    ['action', 1.5, 2, 'higher'],
    ['nut-gap', 0.3, 0.1, 'more easily'],
    ['intonation', -8, 1, 'at most 1 cent off instead of 8'],
  ] as const)('%s from %d to %d: %s', (quantity, before, after, words) => {
    expect(sayWhatChanged([reading(quantity, before, after)]).join()).toContain(words);
  });
  test.each([
    ['not read before', reading('action', null, 2)],
    ['not read after', reading('action', 2, null)],
    ['less than can be told', reading('action', 2, 2.04)],
    ['worse in tune is not sold as better', reading('intonation', 1, 5)],
    ['nothing the customer would feel', reading('contact', 1, 2)],
  ])('%s: nothing is said', (_why, one) => {
    expect(sayWhatChanged([one])).toEqual([]);
  });
  test.each([
    [null, 'action', '–'],
    [1.984375, 'action', '5/64 (1.98 mm)'],
    [0.2032, 'relief', '.008 (0.20 mm)'],
    [-2, 'intonation', '−2 cents'],
    [12, 'break-angle', '12'],
  ] as const)('%s as %s reads %s', (value, quantity, said) => {
    expect(sayReading(value, quantity)).toBe(said);
  });
});

describe('what changed, at its edges and over several strings', () => {
  test('heights are the mean of all strings read both times', () => {
    const said = sayWhatChanged([
      reading('action', 3, 2),
      reading('action', 2, 1.5),
      reading('action', null, 9),
      reading('action', 9, null),
    ]);
    expect(said).toEqual([
      'The strings stand lower: 4.4/64 (1.75 mm) on average instead of 6.3/64 (2.50 mm).',
    ]);
  });
  test.each([
    ['relief', 0.2, 0.24, 'The neck is given a little more bow: .009 (0.24 mm) instead of .008 (0.20 mm).'],
    [
      'nut-gap',
      0.1,
      0.15,
      'At the first fret the strings press down a little harder: .006 (0.15 mm) instead of .004 (0.10 mm).',
    ],
  ] as const)('%s is said without an average', (quantity, before, after, words) => {
    expect(sayWhatChanged([reading(quantity, before, after)])).toEqual([words]);
  });
  test.each([
    ['action', 2, 2.0625, true],
    ['action', 2, 2.03, false],
    ['relief', 0.25, 0.5, true],
    ['nut-gap', 0.5, 0.515, false],
    ['intonation', 3, 2, true],
    ['intonation', 3, 2.5, false],
  ] as const)('%s from %d to %d is told: %s', (quantity, before, after, told) => {
    expect(sayWhatChanged([reading(quantity, before, after)])).toHaveLength(told ? 1 : 0);
  });
  test('intonation is judged by the worst string, flat or sharp', () => {
    expect(
      sayWhatChanged([
        reading('intonation', -9, 3),
        reading('intonation', 2, -2),
        reading('intonation', 1, 0),
      ]),
    ).toEqual(['It plays better in tune up the neck: at most 3 cents off instead of 9.']);
    expect(sayWhatChanged([reading('intonation', 9, -1)])).toEqual([
      'It plays better in tune up the neck: at most 1 cent off instead of 9.',
    ]);
  });
});

describe('the drawing', () => {
  const neck = { scale: 648, frets: 20, bodyFret: 14 };
  test('nothing read both times, nothing drawn', () => {
    expect(sheetDrawing({ ...neck, readings: [reading('relief', 0.2, null)] })).toBeNull();
  });
  test('stays on its paper, at any scale, however high the strings stood', () => {
    for (const scale of [330, 648, 880]) {
      const drawing = sheetDrawing({
        scale,
        frets: 20,
        bodyFret: 14,
        readings: [reading('relief', 0.5, 0.1), reading('action', 9, 1.5), reading('nut-gap', 0.5, 0.1)],
      });
      for (const s of drawing?.shapes ?? []) {
        const points =
          s.kind === 'line'
            ? [
                [s.x1, s.y1],
                [s.x2, s.y2],
              ]
            : s.kind === 'path'
              ? s.points
              : [[s.x, s.y]];
        for (const [x = NaN, y = NaN] of points) {
          expect(x).toBeGreaterThanOrEqual(0);
          expect(x).toBeLessThanOrEqual(drawing?.width ?? 0);
          expect(y).toBeGreaterThanOrEqual(0);
          expect(y).toBeLessThanOrEqual(drawing?.height ?? 0);
        }
      }
    }
  });
});

describe('advice', () => {
  const plain: AdviceFor = {
    acoustic: false,
    newStrings: false,
    woodMoved: false,
    humidity: null,
    care: [],
    watch: [],
  };
  test('of a plain instrument whose air nobody read is one sentence', () => {
    expect(adviceFor(plain)).toEqual(['Keep it away from heaters and out of a cold or hot car.']);
  });
  test('all there is to say stands in its order, and nothing else', () => {
    const all = adviceFor({
      acoustic: true,
      newStrings: true,
      woodMoved: true,
      humidity: 70,
      care: ['Its oil dries out.'],
      watch: ['one', 'two'],
    });
    expect(all.map((s) => s.split(' ').slice(0, 2).join(' '))).toEqual([
      'New strings',
      'What was',
      'Keep it',
      'It was',
      'Its oil',
      'Watch: one',
      'Watch: two',
    ]);
  });
  test.each([
    [39, 2],
    [40, 1],
    [60, 1],
    [61, 2],
  ])('at %d %% humidity there are %d sentences', (humidity, count) => {
    expect(adviceFor({ ...plain, humidity })).toHaveLength(count);
  });
  test.each<[string, Partial<AdviceFor>, string, boolean]>([
    ['new strings', { newStrings: true }, 'New strings stretch', true],
    ['old strings', {}, 'New strings stretch', false],
    ['moved wood', { woodMoved: true }, 'settles over the first weeks', true],
    ['an acoustic', { acoustic: true }, '45 to 55 %', true],
    ['dry air', { humidity: 31 }, 'set at 31 %', true],
    ['usual air', { humidity: 50 }, 'was set at', false],
    ['a surface', { care: ['Its lacquer is tender.'] }, 'lacquer is tender', true],
    ['something to watch', { watch: ['Bridge lift: 1 mm'] }, 'Watch: Bridge lift: 1 mm', true],
  ])('%s', (_what, more, words, said) => {
    expect(
      adviceFor({ ...plain, ...more })
        .join(' ')
        .includes(words),
    ).toBe(said);
  });
});
