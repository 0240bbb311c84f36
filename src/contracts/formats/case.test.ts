import { readCase, planOfCase } from './case.ts';

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

describe('strings in pairs', () => {
  const twelve = (...strings: readonly (number | string)[]) => ({
    format: 'rubrica case',
    version: 1,
    kind: 'twelve-string',
    readings: strings.map((string) => ({ quantity: 'action', string, typed: '2 mm' })),
  });
  const numbers = (...strings: readonly (number | string)[]) => {
    const read = readCase(twelve(...strings));
    return read.ok ? read.value.readings.map((r) => r.string) : read.error;
  };

  test.each([
    ['their own numbers', [12, 1], [12, 1]],
    ['courses, where none is beyond them', [6, 1], [12, 11, 2, 1]],
    ['one string of a course', ['6a', '6b', '1b'], [12, 11, 1]],
    ['a course in quotes beside a string', ['6', 1, 12], [12, 11, 1, 12]],
  ] as const)('%s', (_, typed, read) => {
    expect(numbers(...typed)).toEqual(read);
  });

  test('a course that is not there is refused', () => {
    expect(numbers('7a')).toMatch(/^readings\.0\.string/);
    expect(numbers(13)).toMatch(/^readings\.0\.string/);
  });

  test('courses and their strings say the same', () => {
    const high = (bass: number | string, treble: number | string) =>
      planOfCase({
        ...twelve(),
        readings: [
          { quantity: 'relief', typed: '0.15' },
          { quantity: 'action', string: bass, typed: '2.9' },
          { quantity: 'action', string: treble, typed: '1.5' },
        ],
      });
    const own = high(12, 1);
    expect(own.ok && own.value.proposed).toMatchObject([{ operation: 'saddle-lower', direction: 'down' }]);
    for (const other of [high(6, 1), high('6b', '1a'), high('6', '1')]) expect(other).toEqual(own);
  });
});
