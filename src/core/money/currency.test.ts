import fc from 'fast-check';
import { formatMoney, readAmount, sayAmount, signOf } from './currency.ts';

const CODES = [
  'XXX',
  'EUR',
  'USD',
  'GBP',
  'CHF',
  'SEK',
  'JPY',
  'KRW',
  'CLP',
  'KWD',
  'TND',
  'BHD',
  'INR',
  'BRL',
  'PLN',
  'NZD',
];
const NUMBERS = [
  'en-GB',
  'en-US',
  'de-DE',
  'de-CH',
  'fr-FR',
  'sv-SE',
  'ja-JP',
  'pl-PL',
  'en-IN',
  'pt-BR',
  'nb-NO',
  'es-ES',
];
const form = fc.tuple(fc.constantFrom(...CODES), fc.constantFrom(...NUMBERS)).map(([c, n]) => `${c} ${n}`);
const amount = fc.integer({ min: 0, max: 99_999_999 });

test('whatever is said of an amount is read back as the same one, with its sign and groups or without', () => {
  fc.assert(
    fc.property(form, amount, (money, minor) => {
      expect(readAmount(formatMoney(minor, money), money)).toEqual({ ok: true, value: minor });
      expect(readAmount(sayAmount(minor, money), money)).toEqual({ ok: true, value: minor });
      expect(readAmount(`  ${sayAmount(minor, money)} `, money)).toEqual({ ok: true, value: minor });
    }),
    { numRuns: 3000 },
  );
});

test.each([
  [4500, 'XXX en-GB', '¤45.00'],
  [4500, '¤', '¤45.00'],
  [4500, 'Fr.', 'Fr.45.00'],
  [-5, '¤', '−¤0.05'],
  [123450, 'EUR de-DE', '1.234,50\u00a0€'],
  [1234, 'JPY ja-JP', '¥1,234'],
  [1234, 'KWD en-GB', 'KWD\u00a01.234'],
])('%d in %s is %s', (minor, money, said) => {
  expect(formatMoney(minor, money)).toBe(said);
});

test.each([
  ['89,5', 'EUR en-GB', 8950],
  ['89.5', 'EUR de-DE', 8950],
  ['1.234', 'EUR de-DE', 123400],
  ['1,234', 'EUR en-GB', 123400],
  ['1 234,5', 'EUR fr-FR', 123450],
  ["1'234.50", 'CHF de-CH', 123450],
  ['1.234', 'KWD en-GB', 1234],
  ['1200', 'JPY ja-JP', 1200],
  ['€ 12', 'EUR en-GB', 1200],
  ['12 EUR', 'EUR en-GB', null],
  ['12.345', 'EUR en-GB', null],
  ['12.5', 'JPY ja-JP', null],
  ['1,23,4', 'EUR en-GB', null],
  ['1.234.5', 'EUR de-DE', null],
  ['-5', 'EUR en-GB', null],
  ['12,', 'EUR en-GB', null],
  ['about 12', 'EUR en-GB', null],
  ['99999999999', 'EUR en-GB', null],
] as const)('“%s” typed where money is %s is %s minor units', (text, money, minor) => {
  const read = readAmount(text, money);
  if (minor === null)
    expect(read).toMatchObject({ ok: false, error: expect.stringContaining('like') as string });
  else expect(read).toEqual({ ok: true, value: minor });
});

test('nothing typed is no amount, and no slip', () => {
  expect(readAmount('  ', 'EUR de-DE')).toEqual({ ok: true, value: null });
});

test('the sign alone', () => {
  expect([signOf('EUR de-DE'), signOf('XXX'), signOf('KWD en-GB')]).toEqual(['€', '¤', 'KWD']);
});
