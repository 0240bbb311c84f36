import fc from 'fast-check';
import { formatLength } from './format-length.ts';
import { fromMm, LENGTH_UNITS, toMm, type LengthUnit } from './length-units.ts';
import { parseLength } from './parse-length.ts';
import type { Cents, Mm } from './brand.ts';
import { cents, mm } from './brand.ts';

const read = (text: string, unit?: LengthUnit): number | string => {
  const r = parseLength(text, unit);
  return r.ok ? r.value.mm : r.error.code;
};

describe('parseLength reads what a bench writes', () => {
  test.each<[string, LengthUnit | undefined, number]>([
    ['5/64', undefined, (5 / 64) * 25.4],
    ['5/64', 'mm', (5 / 64) * 25.4],
    ['5/64', '64ths', (5 / 64) * 25.4],
    ['4.5/64', undefined, (4.5 / 64) * 25.4],
    ['3/32"', undefined, (3 / 32) * 25.4],
    ['1 3/8"', undefined, 1.375 * 25.4],
    ['1-3/8 in', undefined, 1.375 * 25.4],
    ['5½ 64ths', undefined, (5.5 / 64) * 25.4],
    ['4½', '64ths', (4.5 / 64) * 25.4],
    ['1⁄8', undefined, 25.4 / 8],
    ['1 ⅝″', undefined, 1.625 * 25.4],
    ['.078', 'in', 0.078 * 25.4],
    ['.078 in', 'mm', 0.078 * 25.4],
    ['8 thou', 'mm', 0.2032],
    ['78 thou', undefined, 1.9812],
    ['1.98', 'mm', 1.98],
    ['1,98 mm', undefined, 1.98],
    ['2,1', 'mm', 2.1],
    ['2 32nds', undefined, 25.4 / 16],
    ['−0.05 mm', undefined, -0.05],
    ['+0.2', 'mm', 0.2],
    ['0,125', 'in', 3.175],
  ])('%s in a %s field is %d mm', (text, unit, expected) => {
    expect(read(text, unit)).toBeCloseTo(expected, 12);
  });

  test.each<[string, LengthUnit | undefined, string]>([
    ['', 'mm', 'empty'],
    ['   ', 'mm', 'empty'],
    ['about five', 'mm', 'not-a-length'],
    ['5/', 'mm', 'not-a-length'],
    ['5/0', 'mm', 'not-a-length'],
    ['5/7', 'mm', 'not-a-length'],
    ['1.2.3', 'mm', 'not-a-length'],
    ['1.234,5', 'mm', 'not-a-length'],
    ['3 furlongs', 'mm', 'not-a-length'],
    ['1e3', 'mm', 'not-a-length'],
    ['5', undefined, 'ambiguous'],
    ['.078', undefined, 'ambiguous'],
    ['1,234', 'mm', 'ambiguous'],
    ['1/2', '64ths', 'ambiguous'],
    ['5/64 mm', undefined, 'ambiguous'],
  ])('%s in a %s field is refused as %s', (text, unit, code) => {
    expect(read(text, unit)).toBe(code);
  });

  test('an ambiguous text says how it could be read', () => {
    const r = parseLength('.078');
    expect(r).toMatchObject({ ok: false, error: { readings: ['.078 in', '.078 mm'] } });
  });

  test.each<[string, LengthUnit | undefined, readonly string[], string]>([
    ['.078', undefined, ['.078 in', '.078 mm'], '“.078” could be .078 in or .078 mm. Add the unit.'],
    [
      ' 1 ',
      undefined,
      ['1 mm', '1 thou', '1/64 in'],
      '“1” could be 1 mm or 1 thou or 1/64 in. Add the unit.',
    ],
    [
      '1,234',
      'mm',
      ['1.234', '1234'],
      '“1,234” could be 1.234 or 1234. Write it with a point, or without a separator.',
    ],
    [' 1/2 ', '64ths', ['1/2 in', '1/2 of 64ths'], '“1/2” could be 1/2 in or 1/2 of 64ths. Add the unit.'],
    ['1/8', '32nds', ['1/8 in', '1/8 of 32nds'], '“1/8” could be 1/8 in or 1/8 of 32nds. Add the unit.'],
    [
      '5/64 mm',
      undefined,
      ['5/64 in', 'a fraction of mm'],
      '“5/64 mm” could be 5/64 in or a fraction of mm. Add the unit.',
    ],
    [
      '1/16mm',
      undefined,
      ['1/16 in', 'a fraction of mm'],
      '“1/16mm” could be 1/16 in or a fraction of mm. Add the unit.',
    ],
  ])('%j in a %s field could be %j', (text, unit, readings, message) => {
    expect(parseLength(text, unit)).toEqual({ ok: false, error: { code: 'ambiguous', readings, message } });
  });

  test.each<[string, LengthUnit | undefined, LengthUnit, boolean]>([
    ['2.1', 'mm', 'mm', false],
    ['2.1 mm', 'mm', 'mm', true],
    ['5/64', 'mm', 'in', true],
    ['4½', '64ths', '64ths', true],
    ['8 thou', undefined, 'thou', true],
    ['.078', 'in', 'in', false],
  ])('%s in a %s field is read in %s, written out: %s', (text, field, unit, explicit) => {
    expect(parseLength(text, field)).toMatchObject({ ok: true, value: { unit, explicit } });
  });

  test.each<[string, LengthUnit | undefined, number]>([
    ['1’ 2', undefined, Number.NaN],
    ['2’’', undefined, 50.8],
    ['2′′', undefined, 50.8],
    ['5 / 64', undefined, (5 / 64) * 25.4],
    ['5/ 64', undefined, (5 / 64) * 25.4],
    ['  8 THOU ', undefined, 0.2032],
    ['1/8 mm', undefined, 0.125],
    ['12,5', 'mm', 12.5],
    ['0,125', 'mm', 0.125],
    ['1234,567 mm', undefined, 1234.567],
    ['1 1/16', '64ths', 1.0625 * 25.4],
    ['1 1/2', '32nds', (1.5 / 32) * 25.4],
    ['1 1/8', '64ths', (1.125 / 64) * 25.4],
  ])('%j in a %s field is %d mm', (text, unit, expected) => {
    const got = read(text, unit);
    if (Number.isNaN(expected)) expect(typeof got).toBe('string');
    else expect(got).toBeCloseTo(expected, 9);
  });

  test('what is no length is said with what was typed, without its blanks', () => {
    expect(parseLength('  soon ')).toEqual({
      ok: false,
      error: {
        code: 'not-a-length',
        message: '“soon” is not a length. Write it like 5/64, .078, 8 thou or 2,1 mm.',
      },
    });
    expect(read(`1${'0'.repeat(400)} mm`)).toBe('not-a-length');
  });

  test('a round trip through any unit keeps the length', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 5000, noNaN: true }),
        fc.constantFrom(...LENGTH_UNITS),
        (n, unit) => {
          expect(fromMm(toMm(n, unit), unit)).toBeCloseTo(n, 9);
        },
      ),
    );
  });

  test('what is read from a decimal in a unit is that number of the unit', () => {
    const texts = fc.tuple(fc.nat(99), fc.nat(99)).map(([a, b]) => `${a}.${String(b).padStart(2, '0')}`);
    fc.assert(
      fc.property(texts, fc.constantFrom(...LENGTH_UNITS), (text, unit) => {
        expect(read(text, unit)).toBeCloseTo(toMm(Number(text), unit), 12);
        expect(read(text.replace('.', ','), unit)).toBe(read(text, unit));
      }),
    );
  });

  test('never gives anything but a finite length or a named refusal', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 20 }), fc.constantFrom(...LENGTH_UNITS, undefined), (text, unit) => {
        const r = parseLength(text, unit);
        expect(r.ok ? Number.isFinite(r.value.mm) : r.error.message.length > 0).toBe(true);
      }),
    );
  });
});

describe('formatLength says it as a tech does', () => {
  test.each<[number, LengthUnit, string]>([
    [1.984375, '64ths', '5/64'],
    [(5.5 / 64) * 25.4, '64ths', '5½/64'],
    [(0.5 / 64) * 25.4, '64ths', '½/64'],
    [(2.3 / 64) * 25.4, '64ths', '2.3/64'],
    [0.2032, 'thou', '.008'],
    [0.355, 'thou', '.014'],
    [0.0127, 'thou', '.0005'],
    [-0.0508, 'thou', '−.002'],
    [0, 'thou', '.000'],
    [0.95, 'mm', '0.95 mm'],
    [-0.3, 'mm', '−0.30 mm'],
    [3.175, 'in', '0.125 in'],
  ])('%d mm in %s is %s', (length, unit, said) => {
    expect(formatLength(length, unit)).toBe(said);
  });
});

describe('branded units', () => {
  test('millimetres cannot stand for cents, nor bare numbers for either', () => {
    const length: Mm = mm(1);
    const error: Cents = cents(1);
    // @ts-expect-error a length is no pitch error
    const wrong: Cents = length;
    // @ts-expect-error a bare number is no length
    const bare: Mm = 1;
    expect([length, error, wrong, bare]).toHaveLength(4);
  });

  test('a length that is not finite is refused', () => {
    expect(() => mm(Number.NaN)).toThrow(RangeError);
    expect(() => cents(Infinity)).toThrow('a pitch error');
  });
});
