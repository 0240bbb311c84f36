import fc from 'fast-check';
import { entryForm, summed, USUAL_FEELINGS } from './entry-forms.ts';
import { otherWays, readEntry, sayEntry } from './entry.ts';
import { checkDue, isOverdue, tellsApart, uncertainty } from './gauge.ts';
import { QUANTITY_FACTS } from './quantities.ts';

const read = (...args: Parameters<typeof readEntry>) => {
  const r = readEntry(...args);
  if (!r.ok) throw new Error(r.error.message);
  return r.value;
};

describe('entryForm', () => {
  test.each([
    ['5/64', { kind: 'plain' }],
    ['between 5 and 6', { kind: 'range', parts: ['5', '6'] }],
    ['Between 5/64 and 6/64', { kind: 'range', parts: ['5/64', '6/64'] }],
    ['5 to 6 thou', { kind: 'range', parts: ['5 thou', '6 thou'] }],
    ['.005..006', { kind: 'plain' }],
    ['4.0; 4.2 ;4.1', { kind: 'repeated', parts: ['4.0', '4.2', '4.1'] }],
    ['4.0;', { kind: 'repeated', parts: ['4.0'] }],
    ['+5 to 6 thou', { kind: 'range', parts: ['+5 thou', '6 thou'] }],
    ['.5 to .6"', { kind: 'range', parts: ['.5"', '.6"'] }],
    ['15 to 16/64', { kind: 'range', parts: ['15/64', '16/64'] }],
    ['5 mm to 6 thou', { kind: 'range', parts: ['5 mm', '6 thou'] }],
    ['5/64 to 6', { kind: 'range', parts: ['5/64', '6'] }],
    ['5 to about 6 mm', { kind: 'range', parts: ['5', 'about 6 mm'] }],
    ['a5 to 6 mm', { kind: 'range', parts: ['a5', '6 mm'] }],
    [Array(25).fill('1').join(';'), { kind: 'repeated', parts: Array(20).fill('1') }],
    ['  touches ', { kind: 'feeling', feeling: USUAL_FEELINGS[0] }],
    ['Just  clicks', { kind: 'feeling', feeling: USUAL_FEELINGS[1] }],
  ])('%s', (text, form) => {
    if (text === '.005..006') expect(entryForm(text).kind).toBe('range');
    else expect(entryForm(text)).toEqual(form);
  });
});

describe('readEntry with more than one number', () => {
  test('a range is its middle, give or take half of it', () => {
    const { value, spread, says } = read('between 5 and 6', 'action', '64ths');
    expect(value).toBeCloseTo((5.5 * 25.4) / 64, 12);
    expect(spread).toEqual({ kind: 'range', size: expect.closeTo(25.4 / 128, 12), of: 1 });
    expect(says).toContain('give or take');
  });

  test('repeated readings give their mean and spread', () => {
    const { value, spread, says } = read('2.0; 2.2; 2.1', 'action', 'mm');
    expect(value).toBeCloseTo(2.1, 12);
    expect(spread).toEqual({ kind: 'repeated', size: expect.closeTo(0.1, 12), of: 3 });
    expect(says).toBe('mean 2.10 mm of 3, spread 0.10 mm');
  });

  test.each(['touches', 'just clicks', 'clear gap'])(
    '“%s” is understood of relief and of the nut',
    (felt) => {
      const feeling = USUAL_FEELINGS.find((f) => f.says === felt);
      for (const q of ['relief', 'nut-gap'] as const) {
        const { value, spread, question } = read(felt, q, 'thou');
        expect(value).toBeCloseTo(((feeling?.low ?? 0) + (feeling?.high ?? 0)) / 2, 12);
        expect(spread?.kind).toBe('range');
        expect(question).toBeNull();
      }
      expect(readEntry(felt, 'action', 'thou')).toMatchObject({ ok: false, error: { code: 'not-a-length' } });
    },
  );

  test('what stands between is said when it cannot be read', () => {
    expect(readEntry('5 to six', 'action', '64ths')).toMatchObject({
      ok: false,
      error: { code: 'not-a-length' },
    });
    expect(readEntry(';', 'action', '64ths')).toMatchObject({ ok: false, error: { code: 'empty' } });
  });

  test.each([
    ['14', 'break-angle', 14, 'deg', '14°'],
    ['14,5 deg', 'break-angle', 14.5, 'deg', '14.5°'],
    ['7.42 k', 'resistance', 7.42, 'kohm', '7.42 kΩ'],
  ] as const)('%s as %s', (text, quantity, value, unit, says) => {
    expect(read(text, quantity, 'mm')).toMatchObject({ value, unit, says, question: null });
    expect(readEntry('steep', quantity, 'mm')).toMatchObject({ ok: false, error: { code: 'not-a-number' } });
    expect(readEntry(' ', quantity, 'mm')).toMatchObject({ ok: false, error: { code: 'empty' } });
  });

  test('what was typed in millimetres is said back in the field’s unit, anything else in millimetres', () => {
    const says = (text: string, unit: '64ths' | 'mm' | 'thou') => read(text, 'action', unit).says;
    expect(says('2 mm', '64ths')).toBe(sayEntry(2, 'action', '64ths'));
    expect(says('5', '64ths')).toBe('1.98 mm');
    expect(says('between 2.0 mm and 2.2 mm', 'thou')).toBe(
      `about ${sayEntry(2.1, 'action', 'thou')}, give or take ${sayEntry(0.1, 'action', 'thou')}`,
    );
    expect(says('between 5 and 6', '64ths')).toBe('about 2.18 mm, give or take 0.20 mm');
    expect(says('2 mm; 2.2 mm', 'thou')).toMatch(/^mean .083 of 2, spread .006$/);
    const { says: cents } = read('between 2 and 6', 'intonation', 'mm');
    expect(cents).toBe('about +4 c, give or take 2 c');
  });

  test('only a bare number could have been meant in another unit', () => {
    const others = (text: string) => otherWays(text, 'action', 'mm').map((o) => o.text);
    expect(others('.078')).toEqual(['.078 in']);
    expect(others(' 5 ')).toEqual(['5/64', '5/32']);
    for (const text of ['5/64', '2.1 mm', 'mm 5', 'five', '5 to 6']) expect(others(text)).toEqual([]);
    expect(otherWays('5', 'action', '64ths').map((o) => o.text)).toEqual(['5 mm', '5/32']);
  });

  test('an end of what is plausible is plausible', () => {
    const [low, high] = QUANTITY_FACTS.action.plausible;
    for (const at of [low, high]) expect(read(`${at} mm`, 'action', 'mm').question).toBeNull();
    for (const at of [low - 0.01, high + 0.01])
      expect(read(`${at} mm`, 'action', 'mm').question?.code).toBe('outside-plausible');
  });

  test('an angle no bridge has is asked about', () => {
    expect(read('80', 'break-angle', 'mm').question?.message).toBe(
      '80° would be an unusual break angle. What did the gauge say?',
    );
  });

  test('values are said in their own unit', () => {
    expect(sayEntry(-2, 'intonation', 'mm')).toBe('−2 c');
    expect(sayEntry(0.2032, 'relief', 'thou')).toBe('.008');
  });
});

describe('what a reading is worth', () => {
  const DAY = 86_400_000;

  test('the mean of repeated readings grows surer with their number', () => {
    const sure = (n: number) => uncertainty(0.02, false, { kind: 'repeated', size: 0.1, of: n });
    expect(sure(4)).toBeCloseTo(Math.hypot(0.02 / Math.sqrt(12), 0.05), 12);
    expect(sure(16)).toBeLessThan(sure(4));
  });

  test('never less than the gauge itself, and more when it is overdue', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-3, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 1, max: 20 }),
        (resolution, size, of) => {
          const own = uncertainty(resolution, false, null);
          expect(uncertainty(resolution, true, null)).toBeCloseTo(2 * own, 12);
          expect(uncertainty(resolution, false, { kind: 'repeated', size, of })).toBeGreaterThanOrEqual(own);
          expect(uncertainty(resolution, false, { kind: 'range', size, of: 1 })).toBeCloseTo(
            Math.hypot(own, size / Math.sqrt(3)),
            12,
          );
        },
      ),
    );
  });

  test('two readings are told apart by both gauges', () => {
    expect(tellsApart(0.03, 0.04)).toBeCloseTo(0.1, 12);
    expect(tellsApart(null, undefined)).toBe(0);
  });

  test('a gauge never checked is overdue, one is due after its days', () => {
    expect(isOverdue({ checkedAt: null, checkEveryDays: 10 }, 0)).toBe(true);
    expect(checkDue({ checkedAt: null, checkEveryDays: 10 })).toBeNull();
    expect(checkDue({ checkedAt: DAY, checkEveryDays: 10 })).toBe(11 * DAY);
    expect(isOverdue({ checkedAt: DAY, checkEveryDays: 10 }, 11 * DAY)).toBe(false);
    expect(isOverdue({ checkedAt: DAY, checkEveryDays: 10 }, 11 * DAY + 1)).toBe(true);
  });

  test('one value has no spread', () => {
    expect(summed('repeated', [3])).toEqual({ value: 3, spread: { kind: 'repeated', size: 0, of: 1 } });
  });
});
