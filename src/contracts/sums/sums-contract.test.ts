import { SUMS } from '../../core/sums/catalogue.ts';
import { runDeclared, sumById, type AnySum } from '../../core/sums/run-sum.ts';
import { LENGTH_UNITS } from '../../core/units/length-units.ts';
import { formFields, labelOf } from './form-fields.ts';
import { openApi } from './openapi.ts';
import { sumsReference } from './reference.ts';
import { exampleIn, fromAddress, readForm, toAddress, typeOut, unitAt, withOldUnit } from './typed-form.ts';

const sum = (id: string): AnySum => {
  const found = sumById(id);
  if (!found) throw new Error(id);
  return found;
};

const rounded = (value: unknown): unknown =>
  JSON.parse(
    JSON.stringify(value, (_, v: unknown) => (typeof v === 'number' ? Number(v.toPrecision(12)) : v)),
  );

/** How far the numbers of two values of one shape lie apart at most; all else is the same in both. */
function furthest(a: unknown, b: unknown): number {
  if (typeof a === 'number' && typeof b === 'number') return Math.abs(a - b);
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null)
    return Object.is(a, b) ? 0 : Number.POSITIVE_INFINITY;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return Math.max(
    0,
    ...[...keys].map((k) => furthest((a as Record<string, unknown>)[k], (b as Record<string, unknown>)[k])),
  );
}

describe.each(SUMS.map((s) => [s.id, s] as const))('the form of %s', (_, s) => {
  test('typed out and read again, the example is itself', () => {
    const read = readForm(s, typeOut(s, s.example), 'mm');
    expect(read.errors).toEqual({});
    expect(read.input).toEqual(s.example);
    expect(read.result).toEqual(runDeclared(s, s.example));
  });

  test('its address opens the same sum', () => {
    const typed = typeOut(s, s.example);
    const opened = fromAddress(new URLSearchParams(toAddress(typed, '64ths')));
    expect(opened).toEqual({ typed, unit: '64ths' });
  });

  test.each(LENGTH_UNITS)(
    'in %s its example is what a gauge shows, and stays so in any other unit',
    (unit) => {
      const typed = exampleIn(s, unit);
      const { input, errors, result } = readForm(s, typed, unit);
      expect(errors).toEqual({});
      expect(result.ok).toBe(true);
      expect(furthest(input, s.example)).toBeLessThan(0.04);
      for (const next of LENGTH_UNITS) {
        const kept = withOldUnit(s, typed, unit, next);
        expect(rounded(readForm(s, kept, next).input), next).toEqual(rounded(input));
      }
    },
  );

  test.each(LENGTH_UNITS)('what was typed in mm keeps its meaning in %s', (unit) => {
    const kept = withOldUnit(s, typeOut(s, s.example), 'mm', unit);
    expect(rounded(readForm(s, kept, unit).input)).toEqual(rounded(s.example));
  });

  test('who reads mm finds its example in bare numbers', () => {
    expect(exampleIn(s, 'mm')).toEqual(typeOut(s, s.example));
  });

  test('an empty form says at a field what is missing', () => {
    const { errors } = readForm(s, {}, 'mm');
    expect(Object.keys(errors).length).toBeGreaterThan(0);
    expect(Object.values(errors).every((e) => e.length > 5)).toBe(true);
  });
});

describe('readForm reads as the bench writes', () => {
  const typed = {
    scale: '25.5"',
    fret: '12',
    'bass.now': '6',
    'bass.target': '5/64',
    'treble.now': '.078',
    'treble.target': '1,6 mm',
  };

  test('several units on one sheet', () => {
    const read = readForm(sum('saddle-height'), typed, '64ths');
    expect(rounded(read.input)).toEqual(
      rounded({
        scale: 25.5 * 25.4,
        fret: 12,
        bass: { now: (6 / 64) * 25.4, target: (5 / 64) * 25.4 },
        treble: { now: 0.078 * 25.4, target: 1.6 },
      }),
    );
    expect(read.readsBack).toEqual({
      scale: '647.70 mm',
      'bass.now': '2.38 mm',
      'bass.target': '1.98 mm',
      'treble.now': '1.98 mm',
    });
  });

  test('notes and frequencies, with the wrap left empty', () => {
    const strings = {
      scale: '648',
      'strings.0.gauge': '.012 in',
      'strings.0.kind': 'plain',
      'strings.0.frequency': 'E4',
    };
    const read = readForm(sum('string-tension'), strings, 'mm');
    expect(read.errors).toEqual({});
    expect(read.readsBack['strings.0.frequency']).toBe('329.63 Hz');
  });

  test.each([
    ['', 110],
    ['432', 108],
    ['415,3 Hz', 103.825],
  ])('with A4 at “%s” an A2 is %d Hz', (a4, hz) => {
    const typed = {
      scale: '648',
      'strings.0.gauge': '.042 in',
      'strings.0.kind': 'wound',
      'strings.0.frequency': 'A2',
      a4,
    };
    const { input, errors } = readForm(sum('string-tension'), typed, 'mm');
    expect(errors).toEqual({});
    expect((input as { strings: { frequency: number }[] }).strings[0]?.frequency).toBeCloseTo(hz, 6);
  });

  test.each(['loud', '4400', '0'])('A4 at “%s” is said at its field', (a4) => {
    const typed = {
      scale: '648',
      'strings.0.gauge': '1',
      'strings.0.kind': 'plain',
      'strings.0.frequency': 'A2',
      a4,
    };
    expect(Object.keys(readForm(sum('string-tension'), typed, 'mm').errors)).toEqual(['a4']);
  });

  test('a list in one field: points, commas, units apart or together', () => {
    const read = readForm(
      sum('nut-layout'),
      { width: '36', gauges: '.053 in 1,07; 32thou .6', by: 'gaps' },
      'mm',
    );
    expect(rounded((read.input as { gauges: number[] }).gauges)).toEqual(
      rounded([0.053 * 25.4, 1.07, 32 * 0.0254, 0.6]),
    );
  });

  test('a share may be a percentage, cents may be flat', () => {
    const share = readForm(sum('saddle-height'), { ...typed, firstCutShare: '75 %' }, '64ths');
    expect(share.input).toMatchObject({ firstCutShare: 0.75 });
    const flat = readForm(sum('intonation-saddle'), { scale: '648', fret: '12', cents: '4 flat' }, 'mm');
    expect(flat.input).toMatchObject({ cents: -4 });
  });

  test('flat instead of a radius', () => {
    const read = readForm(
      sum('saddle-top'),
      { radius: 'flat', spacing: '54', strings: '4', bass: '9', treble: '8' },
      'mm',
    );
    expect(read.result.ok && (read.result.value as { heights: number[] }).heights).toHaveLength(4);
  });

  test.each<[string, string, string, RegExp]>([
    ['fret-position', 'scale', 'long', /is not a length/],
    ['fret-position', 'scale', '', /Nothing is written/],
    ['fret-position', 'fret', 'twelve', /is not a number/],
    ['fret-position', 'fret', '1.5', /whole number/],
    ['fret-position', 'scale', '1,234', /could be/],
    ['intonation-saddle', 'cents', '5/64', /is not a pitch error/],
    ['string-tension', 'strings.0.frequency', 'H2', /is not a note/],
    ['nut-layout', 'gauges', '1 2 thick', /is not a length/],
    ['nut-layout', 'gauges', '1 9 1', /must be at most/],
    ['intonation-fit', 'readings.1.cents', '400', /must be at most/],
  ])('%s: %s = “%s” is said at its field', (id, path, text, said) => {
    const s = sum(id);
    const { errors, result } = readForm(s, { ...typeOut(s, s.example), [path]: text }, 'mm');
    expect(result.ok).toBe(false);
    expect(errors[path]).toMatch(said);
  });

  test('rows left empty are skipped, and an error still finds its row', () => {
    const s = sum('intonation-fit');
    const gap = {
      scale: '648',
      nut: 'no',
      'readings.0.fret': ' ',
      'readings.2.fret': '12',
      'readings.2.cents': '3',
      'readings.4.fret': '99',
      'readings.4.cents': '1',
    };
    expect(readForm(s, gap, 'mm').errors).toEqual({
      'readings.4.fret': expect.stringContaining('at most 36') as string,
    });
    expect(readForm(s, { ...gap, 'readings.4.fret': '5' }, 'mm').input).toMatchObject({
      readings: [
        { fret: 12, cents: 3 },
        { fret: 5, cents: 1 },
      ],
    });
  });

  test('a group that may stay empty is left out when it is', () => {
    const s = sum('clearance');
    const rest = Object.fromEntries(
      Object.entries(typeOut(s, s.example)).filter(([k]) => !k.startsWith('relief')),
    );
    expect(readForm(s, rest, 'mm').input).not.toHaveProperty('relief');
    expect(readForm(s, { ...rest, 'relief.low': '1' }, 'mm').errors).toHaveProperty(['relief.high']);
  });

  test.each([
    ['action', '64ths', '64ths'],
    ['gap', '64ths', 'thou'],
    ['gap', 'mm', 'mm'],
    ['along', '64ths', 'mm'],
    ['along', 'thou', 'mm'],
    ['along', 'in', 'in'],
  ] as const)('a bare %s among %s is %s', (measure, unit, bare) => {
    expect(unitAt(measure, unit)).toBe(bare);
  });

  test('an address without a sum in it opens the example', () => {
    expect(fromAddress(new URLSearchParams('u=thou'))).toBeNull();
    expect(fromAddress(new URLSearchParams('scale=648&u=cubits'))?.unit).toBe('mm');
  });
});

describe('the fields', () => {
  test.each([
    ['firstCutShare', 'First cut share'],
    ['scale', 'Scale'],
    ['planeAboveBridge', 'Plane above bridge'],
  ])('%s is labelled %s', (key, label) => {
    expect(labelOf(key)).toBe(label);
  });

  test('kinds and units come from the declaration', () => {
    const fields = formFields(sum('string-tension'));
    expect(fields.map((f) => [f.key, f.kind, f.optional])).toEqual([
      ['scale', 'number', false],
      ['strings', 'rows', false],
      ['before', 'number', true],
    ]);
    const [, rows] = fields;
    const kind = rows?.kind === 'rows' ? rows.fields.find((f) => f.key === 'kind') : undefined;
    expect(kind).toMatchObject({
      kind: 'choice',
      options: ['plain', 'wound', 'floss', 'nylon', 'fluorocarbon'],
    });
  });
});

describe('the documents', () => {
  const api = openApi() as {
    openapi: string;
    paths: Record<
      string,
      {
        post: {
          requestBody: {
            content: { 'application/json': { schema: Record<string, unknown>; example: unknown } };
          };
        };
      }
    >;
  };

  test('one path a sum, in OpenAPI 3.1', () => {
    expect(api.openapi).toBe('3.1.0');
    expect(Object.keys(api.paths)).toEqual(SUMS.map((s) => `/api/sums/${s.id}`));
  });

  test('the schema names every field with its unit, and refuses others', () => {
    const { schema, example } =
      api.paths['/api/sums/break-angle']?.post.requestBody.content['application/json'] ?? {};
    expect(schema).toMatchObject({
      type: 'object',
      additionalProperties: false,
      required: ['rise', 'run'],
      properties: { rise: { type: 'number', unit: 'mm', minimum: 0 } },
    });
    expect(example).toEqual({ rise: 3, run: 12 });
  });

  test('the reference page has every sum, its formula and its worked example', () => {
    const page = sumsReference();
    for (const s of SUMS) {
      expect(page).toContain(`## ${s.title}`);
      expect(page).toContain(s.formula);
      expect(page).toContain(`./rubrica sum ${s.id} '`);
    }
    expect(page).not.toContain('undefined');
  });
});
