import { readCase } from './case.ts';

const caseWith = (typed: string, more: object = {}) => ({
  format: 'rubrica case',
  version: 1,
  kind: 'steel-acoustic',
  readings: [{ quantity: 'relief', typed }],
  ...more,
});

test.each([
  ['.014', 0.3556],
  ['-.002', -0.0508],
  ['.0005', 0.0127],
  ['0.36', 0.36],
  ['.3', 0.3],
  ['0.36 mm', 0.36],
  ['14 thou', 0.3556],
  ['1/64', 0.396875],
])('a relief typed %s', (typed, mm) => {
  const read = readCase(caseWith(typed));
  expect(read.ok && read.value.readings[0]?.value).toBeCloseTo(mm, 9);
});

test('turns are read the same way', () => {
  const read = readCase(caseWith('.012', { turns: [{ eighths: 2, before: '.016', after: '.012' }] }));
  expect(read.ok && read.value.turns[0]).toMatchObject({
    before: 0.4064,
    after: expect.closeTo(0.3048, 9) as unknown,
  });
});

test('what cannot be read says where', () => {
  expect(readCase(caseWith('much'))).toMatchObject({
    ok: false,
    error: expect.stringMatching(/^readings\.0\.typed/) as unknown,
  });
  expect(readCase({ ...caseWith('.01'), kind: 'kazoo' })).toMatchObject({ ok: false });
});
