import fc from 'fast-check';
import { SUMS } from './catalogue.ts';
import { usualLabel } from './length.ts';
import { runDeclared, runSum, sumById } from './run-sum.ts';
import { nutDrawing } from './nut-sums.ts';
import { saddleDrawing } from './saddle-sums.ts';
import { toSvg } from '../templates/drawing.ts';
import { runs } from '../../runs-for-tests.ts';

const IDS = [
  'length',
  'fret-position',
  'fan-frets',
  'string-line',
  'saddle-height',
  'nut-slot',
  'relief-convert',
  'neck-profile',
  'truss-turn',
  'rod-to-action',
  'intonation-saddle',
  'intonation-fit',
  'contact-fit',
  'string-tension',
  'tension-to-relief',
  'predicted-intonation',
  'break-angle',
  'neck-angle',
  'shim',
  'neck-reset',
  'slot-floor',
  'fret-level',
  'clearance',
  'pluck-reach',
  'nut-layout',
  'saddle-top',
  'pilot-hole',
];

const SAY = { length: (n: number) => `${n.toFixed(2)} mm`, cents: (n: number) => n.toFixed(1) };

const example = (id: string): Record<string, unknown> =>
  structuredClone(sumById(id)?.example) as Record<string, unknown>;

/** The example with one field changed; `undefined` takes it out. */
function changed(id: string, path: string, value: unknown): unknown {
  const input = example(id);
  const keys = path.split('.');
  const last = keys.pop() ?? '';
  let at: Record<string, unknown> = input;
  for (const k of keys) at = at[k] as Record<string, unknown>;
  if (value === undefined) Reflect.deleteProperty(at, last);
  else at[last] = value;
  return input;
}

test('every sum is declared, once', () => {
  expect(SUMS.map((s) => s.id)).toEqual(IDS);
});

test('no two sums ask for the same wish', () => {
  const asked = SUMS.flatMap((s) => s.asks);
  expect(asked.filter((wish, i) => asked.indexOf(wish) !== i)).toEqual([]);
});

describe.each(IDS)('%s', (id) => {
  const sum = sumById(id);
  if (!sum) throw new Error(id);

  test('its example runs, fits its output exactly, and is said in words', () => {
    const done = runDeclared(sum, sum.example);
    if (!done.ok) throw new Error(done.error.message);
    expect(sum.output.parse(done.value)).toEqual(done.value);
    const words = sum.words(sum.example, done.value, SAY);
    expect(words.length).toBeGreaterThan(0);
    for (const w of words) expect(w).not.toMatch(/NaN|undefined|Infinity|null/);
  });

  test('says what it takes for granted, where it comes from, and what one may ask', () => {
    for (const said of [sum.title, sum.formula, sum.source, sum.why]) expect(said.length).toBeGreaterThan(5);
    expect(sum.assumptions.length).toBeGreaterThan(0);
    expect(sum.asks.length).toBeGreaterThan(1);
  });

  test('every field that is needed is asked for by its name', () => {
    for (const field of Object.keys(example(id))) {
      const done = runSum(id, changed(id, field, undefined));
      if (!done.ok)
        expect(done.error.field.split('.')[0]).toMatch(new RegExp(`^(${field}|endThickness|radius)$`));
    }
    expect(runSum(id, {})).toMatchObject({ ok: false, error: { code: 'invalid' } });
  });

  test('no field can be anything but its kind', () => {
    for (const field of Object.keys(example(id))) {
      for (const bad of [Number.NaN, Infinity, -Infinity, null, { a: 1 }, '', 'five', [], '1']) {
        const text = id === 'length' && typeof bad === 'string';
        const empty = Array.isArray(bad) && (id === 'truss-turn' || field === 'tops');
        if (text || empty) continue;
        const done = runSum(id, changed(id, field, bad));
        expect({ field, bad, ok: done.ok }).toEqual({ field, bad, ok: false });
        if (!done.ok) expect(done.error.field.split('.')[0]).toBe(field);
      }
    }
  });

  test.each([null, undefined, 5, 'text', []])('%j is no input', (input) => {
    expect(runSum(id, input)).toMatchObject({ ok: false, error: { field: '' } });
  });

  test('a field it does not know is named', () => {
    expect(runSum(id, { ...example(id), elbow: 1 })).toMatchObject({
      ok: false,
      error: { field: 'elbow', message: 'elbow is not a field of this sum.' },
    });
  });

  test('whatever the numbers, it answers with finite ones or refuses', () => {
    const numbers = fc.constantFrom(
      0,
      1e-9,
      -1e-9,
      1,
      -1,
      2,
      3,
      12,
      36,
      50,
      -50,
      99,
      100,
      648,
      2000,
      5000,
      1e6,
      -1e6,
      1e300,
    );
    const shaken = (value: unknown, next: () => number): unknown => {
      if (typeof value === 'number') return next();
      if (Array.isArray(value)) return value.map((v) => shaken(v, next));
      if (typeof value !== 'object' || value === null) return value;
      return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, shaken(v, next)]));
    };
    const finite = (v: unknown): boolean =>
      typeof v === 'number'
        ? Number.isFinite(v)
        : typeof v !== 'object' || v === null || Object.values(v).every(finite);
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.boolean(), numbers), { minLength: 40, maxLength: 40 }), (draws) => {
        let i = 0;
        const kept = example(id);
        const input = shaken(kept, () => {
          const [change, n] = draws[i++ % draws.length] ?? [false, 1];
          return change ? n : Number.NaN;
        });
        // Where the draw kept a number, put the example's back.
        const merged = JSON.parse(JSON.stringify(input), function (this: unknown, k: string, v: unknown) {
          return v === null ? undefined : v;
        }) as unknown;
        const fill = (a: unknown, b: unknown): unknown =>
          typeof b === 'object' && b !== null
            ? Array.isArray(b)
              ? b.map((x, n) => fill((a as unknown[] | undefined)?.[n], x))
              : Object.fromEntries(
                  Object.entries(b).map(([k, x]) => [
                    k,
                    fill((a as Record<string, unknown> | undefined)?.[k], x),
                  ]),
                )
            : (a ?? b);
        const done = runSum(id, fill(merged, kept));
        expect(done.ok ? finite(done.value) : done.error.message.length > 3).toBe(true);
      }),
      runs(150),
    );
  });
});

/** What each sum refuses beyond wrong kinds: the field that is named. */
describe('bad input', () => {
  test.each<[string, string, unknown, string]>([
    ['length', 'text', 'about five', 'text'],
    ['length', 'text', '5', 'text'],
    ['length', 'unit', 'furlongs', 'unit'],
    ['fret-position', 'scale', -648, 'scale'],
    ['fret-position', 'scale', 0, 'scale'],
    ['fret-position', 'fret', 99, 'fret'],
    ['fret-position', 'fret', 1.5, 'fret'],
    ['string-line', 'points.1.fret', 1, 'points'],
    ['string-line', 'points.0.height', undefined, 'points.0.height'],
    ['string-line', 'frets', [], 'frets'],
    ['saddle-height', 'fret', 0, 'fret'],
    ['saddle-height', 'bass.now', undefined, 'bass.now'],
    ['saddle-height', 'treble', undefined, 'treble'],
    ['saddle-height', 'firstCutShare', 1.2, 'firstCutShare'],
    ['nut-slot', 'heldAt', 4, 'heldAt'],
    ['nut-slot', 'target', -0.1, 'target'],
    ['relief-convert', 'from.at', 20, 'from.at'],
    ['relief-convert', 'from.at', 1, 'from.at'],
    ['relief-convert', 'to.high', 1, 'to.high'],
    ['truss-turn', 'target.low', 0.3, 'target.low'],
    ['truss-turn', 'target.high', 0.1, 'target.high'],
    ['truss-turn', 'turns.0.eighths', 0, 'turns.0.eighths'],
    ['truss-turn', 'prior', { perEighth: 0.05, sd: 0 }, 'prior.sd'],
    ['rod-to-action', 'joint', 0, 'joint'],
    ['rod-to-action', 'ratio', -1, 'ratio'],
    ['intonation-saddle', 'cents', 150, 'cents'],
    ['intonation-saddle', 'fret', 0, 'fret'],
    ['intonation-fit', 'readings', [], 'readings'],
    ['intonation-fit', 'readings', [{ fret: 12, cents: 3 }], 'readings'],
    ['intonation-fit', 'nut', 'yes', 'nut'],
    ['intonation-fit', 'readings.2.weight', -1, 'readings.2.weight'],
    ['contact-fit', 'contact', 4, 'contact'],
    ['string-tension', 'strings.0.kind', 'rope', 'strings.0.kind'],
    ['string-tension', 'strings.0.core', 2, 'strings.0.core'],
    ['string-tension', 'strings.1.core', 0.1, 'strings.1.core'],
    ['string-tension', 'strings.1.wrapDensity', 8800, 'strings.1.wrapDensity'],
    ['string-tension', 'strings.1.frequency', 0, 'strings.1.frequency'],
    ['predicted-intonation', 'string.gauge', 0, 'string.gauge'],
    ['predicted-intonation', 'string.core', 0.1, 'string.core'],
    ['predicted-intonation', 'string.frequency', 20, 'string'],
    ['predicted-intonation', 'frets.1', 0, 'frets.1'],
    ['break-angle', 'run', 0, 'run'],
    ['neck-angle', 'standout.high', 1, 'standout.high'],
    ['shim', 'end', 400, 'end'],
    ['shim', 'wanted', 3, 'wanted'],
    ['shim', 'wanted', undefined, 'endThickness'],
    ['shim', 'endThickness', 1, 'wanted'],
    ['shim', 'lip', 700, 'end'],
    ['neck-reset', 'heelDepth', 0, 'heelDepth'],
    ['slot-floor', 'slot', 10, 'slot'],
    ['fret-level', 'frets.1.fret', 1, 'frets.1.fret'],
    ['fret-level', 'fallAway', { from: 12, amount: 0.1 }, 'fallAway.from'],
    ['fret-level', 'replace', [7], 'replace.0'],
    ['clearance', 'relief.low', 20, 'relief.high'],
    ['clearance', 'tops', [{ fret: 21, offset: 0.1 }], 'tops.0.fret'],
    ['clearance', 'tension', 0, 'tension'],
    ['clearance', 'pluck', 700, 'pluck'],
    ['nut-layout', 'width', 4, 'width'],
    ['nut-layout', 'courses', { size: 4, spread: 2 }, 'courses'],
    ['nut-layout', 'by', 'eye', 'by'],
    ['saddle-top', 'radius', 25, 'radius'],
    ['saddle-top', 'radius', undefined, 'radius'],
    ['saddle-top', 'nutRadius', 254, 'radius'],
    ['saddle-top', 'strings', 1, 'strings'],
    ['pilot-hole', 'root', 3, 'root'],
    ['pilot-hole', 'wood', 'balsa', 'wood'],
  ])('%s with %s = %j is refused at %s', (id, path, value, field) => {
    const done = runSum(id, changed(id, path, value));
    expect(done).toMatchObject({ ok: false, error: { field } });
  });

  test('a compound saddle names the part that is missing', () => {
    const { radius: _, ...rest } = example('saddle-top');
    expect(runSum('saddle-top', { ...rest, nutRadius: 254, endRadius: 406, boardLength: 460 })).toMatchObject(
      {
        ok: false,
        error: { field: 'scale', message: 'scale is missing for a compound board.' },
      },
    );
  });

  test('there is no such sum', () => {
    expect(runSum('waist', {})).toMatchObject({ ok: false, error: { code: 'unknown-sum', field: 'id' } });
  });
});

describe('worked values', () => {
  test.each<[string, unknown, unknown]>([
    ['length', { text: '2,1', unit: 'mm' }, { mm: 2.1, label: '5½/64' }],
    ['length', { text: '8 thou' }, { label: '.008' }],
    [
      'fret-position',
      { scale: 648, fret: 1 },
      { fromNut: 36.36937, fromPrevious: 36.36937, toSaddle: 611.63063 },
    ],
    [
      'fan-frets',
      { bass: 864, treble: 816, straight: 12, frets: [0, 12] },
      {
        // Half of each scale lies before the 12th: the nut and the saddle lean by half their difference.
        frets: [
          { fret: 0, bass: 0, treble: 0, lean: 24 },
          { fret: 12, bass: 432, treble: 408, lean: 0 },
        ],
        saddle: -24,
      },
    ],
    [
      'rod-to-action',
      { scale: 648, joint: 14, reliefChange: -0.1, fret: 12, ratio: 2.4 },
      { actionChange: -0.24, ratio: 2.4 },
    ],
    [
      'truss-turn',
      { relief: 0.2, target: { low: 0.15, aim: 0.2, high: 0.25 }, turns: [] },
      { advice: 'leave', eighths: 0, expected: { low: 0.2, likely: 0.2, high: 0.2 } },
    ],
    ['contact-fit', { crown: 3, contact: 1.5, move: 2 }, { at: 3.5, outside: 0.5 }],
    ['break-angle', { rise: 3, run: 12 }, { degrees: 14.03624 }],
    ['slot-floor', { bridge: 9, slot: 5, shave: 2, minimum: 2.4 }, { floor: 2, ok: false }],
    [
      'saddle-top',
      { radius: 'flat', spacing: 54, strings: 3, bass: 11, treble: 10 },
      { heights: [11, 10.5, 10] },
    ],
    [
      'string-tension',
      { scale: 648, before: 60, strings: [{ gauge: 0.305, kind: 'plain', frequency: 329.628 }] },
      { total: 104.67, change: 44.67, relief: 'more' },
    ],
  ])('%s of %j', (id, input, output) => {
    const near = (v: unknown): unknown =>
      typeof v === 'number'
        ? (expect.closeTo(v, 2) as unknown)
        : Array.isArray(v)
          ? v.map(near)
          : typeof v === 'object' && v !== null
            ? Object.fromEntries(Object.entries(v).map(([k, x]) => [k, near(x)]))
            : v;
    expect(runSum(id, input)).toEqual({
      ok: true,
      value: expect.objectContaining(near(output) as object) as unknown,
    });
  });

  test('a fret top that was given with its reading counts there again', () => {
    const done = runSum('string-line', {
      scale: 648,
      points: [
        { fret: 1, height: 0.5, fretTop: 0.1 },
        { fret: 12, height: 2 },
      ],
      frets: [1, 12, 0],
    });
    expect(done).toMatchObject({
      ok: true,
      value: { heights: [{ height: expect.closeTo(0.5, 12) }, { height: expect.closeTo(2, 12) }, {}] },
    });
  });

  test('a round-wound string is a wound one, and a modulus may be in GPa', () => {
    const { string, ...rest } = example('predicted-intonation') as { string: object };
    const of = (over: object) => runSum('predicted-intonation', { ...rest, string: { ...string, ...over } });
    expect(of({ modulus: 205 })).toEqual(of({ modulus: 2.05e11 }));
    expect(of({ kind: 'round-wound' })).toEqual(of({ kind: 'wound' }));
  });

  test('the usual core is said, a given one is not', () => {
    const strings = [{ gauge: 1.35, kind: 'wound', frequency: 82.4 }];
    const usual = runSum('string-tension', { scale: 648, strings });
    expect(usual).toMatchObject({ value: { strings: [{ core: 0.44, coreFrom: 'usual' }] } });
    const given = runSum('string-tension', { scale: 648, strings: [{ ...strings[0], core: 0.4 }] });
    expect(given).toMatchObject({ value: { strings: [{ core: 0.4, coreFrom: 'given' }] } });
  });

  test.each([
    [0.2032, '.008'],
    [1.984375, '5/64'],
    [2.1, '5½/64'],
    [-2.2, '−5½/64'],
    [648, '648.00 mm'],
  ])('%d mm is usually said %s', (mm, said) => {
    expect(usualLabel(mm)).toBe(said);
  });
});

describe('templates at true size', () => {
  const widthOf = (svg: string) => Number(/ width="([\d.]+)mm"/.exec(svg)?.[1]);
  const box = (svg: string) => /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg)?.slice(1).map(Number);

  test.each([
    ['saddle-top', saddleDrawing],
    ['nut-layout', nutDrawing],
  ])('%s: one unit is one millimetre, and a line of 50 is there to check it', (id, draw) => {
    const drawing = draw(example(id));
    if (!drawing) throw new Error('no drawing');
    const svg = toSvg(drawing);
    expect(widthOf(svg)).toBe(box(svg)?.[0]);
    const check = drawing.shapes.filter(
      (s) => s.kind === 'line' && s.y1 === s.y2 && Math.abs(s.x2 - s.x1 - 50) < 1e-9,
    );
    expect(check).toHaveLength(1);
    for (const s of drawing.shapes) {
      const xs = s.kind === 'line' ? [s.x1, s.x2] : s.kind === 'text' ? [s.x] : s.points.map(([x]) => x);
      for (const x of xs) expect(x >= 0 && x <= drawing.width).toBe(true);
    }
  });

  test('the slots stand where the sum says', () => {
    const drawing = nutDrawing({ width: 36, gauges: [1, 1, 1], by: 'gaps' });
    const marks = drawing?.shapes.flatMap((s) =>
      s.kind === 'line' && s.x1 === s.x2 && s.y2 - s.y1 === 3 && s.weight < 0.12 ? [s.x1] : [],
    );
    expect(marks?.map((x) => x - (marks[0] ?? 0))).toEqual([0, 17.5, 35]);
  });

  test('the saddle’s path runs through each string’s height', () => {
    const drawing = saddleDrawing(example('saddle-top'));
    const path = drawing?.shapes.find((s) => s.kind === 'path');
    const base = drawing?.shapes.find((s) => s.kind === 'line' && s.y1 === s.y2);
    if (path?.kind !== 'path' || base?.kind !== 'line') throw new Error('no path');
    const highest = base.y1 - Math.min(...path.points.map(([, y]) => y));
    expect(highest).toBeGreaterThan(11.4);
    expect(highest).toBeLessThan(11.6);
  });

  test('what the sum refuses is not drawn', () => {
    expect(nutDrawing({ width: 1, gauges: [1, 1], by: 'gaps' })).toBeNull();
    expect(nutDrawing({})).toBeNull();
    expect(saddleDrawing({ spacing: 54 })).toBeNull();
    expect(saddleDrawing({ radius: 20, spacing: 54, strings: 6, bass: 9, treble: 9 })).toBeNull();
  });

  test('words in a drawing cannot break out of it', () => {
    expect(toSvg({ title: '<a>&"', width: 1, height: 1, shapes: [] })).toContain('&lt;a&gt;&amp;&quot;');
  });
});
