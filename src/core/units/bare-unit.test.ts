import { bareUnit } from './bare-unit.ts';
import { formatLength } from './format-length.ts';
import { parseCents } from './parse-cents.ts';

test.each([
  ['.008', 'thou', 'in'],
  [' .078 ', '64ths', 'in'],
  ['0,125', '32nds', 'in'],
  ['+.010', 'thou', 'in'],
  ['8', 'thou', 'thou'],
  ['.5', 'thou', 'thou'],
  ['.12345', 'thou', 'thou'],
  ['5.25', '64ths', '64ths'],
  ['.078 mm', 'thou', 'thou'],
  ['x.078', 'thou', 'thou'],
  ['.078', 'mm', 'mm'],
  ['.078', 'in', 'in'],
] as const)('%j bare in a %s field counts in %s', (text, field, unit) => {
  expect(bareUnit(text, field)).toBe(unit);
});

test.each([
  [-0.5 * (25.4 / 64), '64ths', '−½/64'],
  [-1.5 * (25.4 / 64), '64ths', '−1½/64'],
  [2.2 * (25.4 / 64), '64ths', '2.2/64'],
  [25.4 / 32, '32nds', '1/32'],
  [0.0254, 'thou', '.001'],
  [-0.0000254, 'thou', '.000'],
  [254, 'thou', '10.000 in'],
] as const)('%d mm in %s is said %s', (mm, unit, said) => {
  expect(formatLength(mm, unit)).toBe(said);
});

test.each([
  ['1.25', 1.25],
  ['.75', 0.75],
  ['12 ct', 12],
  ['2flat', -2],
])('%s is %d cents', (text, cents) => {
  expect(parseCents(text)).toEqual({ ok: true, value: cents });
});

test('nothing, and what is no pitch error, are said', () => {
  expect(parseCents('  ')).toEqual({
    ok: false,
    error: { code: 'empty', message: 'Nothing is written here yet.' },
  });
  expect(parseCents(' loud ')).toEqual({
    ok: false,
    error: { code: 'not-cents', message: '“loud” is not a pitch error. Write cents like +3 or −2.' },
  });
});
