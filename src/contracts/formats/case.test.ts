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

describe('what is known beside the readings', () => {
  const asked = (more: object): string => {
    const out = [6, 5, 4, 3, 2, 1].map((string) => ({ quantity: 'intonation', string, typed: '9' }));
    const read = planOfCase({
      ...caseWith('.010'),
      readings: [{ quantity: 'relief', typed: '.008' }, ...out],
      ...more,
    });
    return read.ok ? read.value.questions.join(' ') : read.error;
  };

  test('pitches that are out on old strings are asked about; on new ones, or where a new set goes on, not', () => {
    expect(asked({ stringAge: 'old' })).toContain('old strings');
    expect(asked({ stringAge: 'new' })).not.toContain('old strings');
    expect(asked({})).not.toContain('old strings');
    const found = { stringAge: 'old', findings: [{ item: 'strings', finding: 'old' }] };
    expect(asked(found)).not.toContain('seldom true');
    expect(asked({ stringAge: 'ancient' })).toMatch(/^stringAge/);
  });

  test('where its price matters its worth is asked for, and where its history does its price refuses nothing', () => {
    expect(asked({ matters: 'price' })).toContain('nobody said what it is worth');
    expect(asked({ matters: 'price', worth: 900 })).not.toContain('nobody said');
    const worn = { worth: 100, findings: [{ item: 'fret-wear', finding: 'worn' }] };
    const does = (more: object): readonly string[] => {
      const read = planOfCase({ ...caseWith('.008'), ...worn, ...more });
      const plan = read.ok ? read.value.plans.find((p) => p.id === 'enough') : undefined;
      return plan?.steps.map((s) => s.operation) ?? [];
    };
    expect(does({})).not.toContain('refret');
    expect(does({ matters: 'history' })).toContain('refret');
  });
});
