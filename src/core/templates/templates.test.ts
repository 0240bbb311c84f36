import fc from 'fast-check';
import { checkLine, label, leftHanded, line, shortest, toSvg, type Shape } from './drawing.ts';
import { contactTemplate, nutContactTemplate } from './contact-templates.ts';
import { nutTemplate } from './nut-template.ts';
import { saddleTemplate } from './saddle-template.ts';

const strokes = (shapes: readonly Shape[]) =>
  shapes.flatMap((s) => (s.kind === 'line' ? [[s.x1, s.y1, s.x2, s.y2, s.weight]] : []));
const words = (shapes: readonly Shape[]) =>
  shapes.flatMap((s) => (s.kind === 'text' ? [[s.x, s.y, s.size, s.anchor, s.text]] : []));

describe('shapes', () => {
  test('the check line is 50 mm with a tick at each end and its words under it', () => {
    const shapes = checkLine(8, 40);
    expect(strokes(shapes)).toEqual([
      [8, 40, 58, 40, 0.15],
      [8, 38.5, 8, 41.5, 0.15],
      [58, 38.5, 58, 41.5, 0.15],
    ]);
    expect(words(shapes)).toEqual([
      [8, 45, 3, 'start', 'This line is 50 mm: measure it. Print at 100 %, not fitted to the page.'],
    ]);
  });

  test('each becomes its element, numbers to a ten-thousandth of a millimetre', () => {
    const svg = toSvg({
      title: 'T',
      width: 10.12345,
      height: 5,
      shapes: [
        line(1, 2, 3, 1 / 3, 0.1),
        {
          kind: 'path',
          points: [
            [0, 1],
            [2, 3],
          ],
          weight: 0.2,
        },
        label(4, 5, 'a<b', 'middle'),
      ],
    });
    expect(svg).toContain('width="10.1235mm" height="5mm" viewBox="0 0 10.1235 5"');
    expect(svg).toContain('<line x1="1" y1="2" x2="3" y2="0.3333" stroke-width="0.1"/>');
    expect(svg).toContain('<polyline points="0,1 2,3" stroke-width="0.2"/>');
    expect(svg).toContain(
      '<text x="4" y="5" font-size="3" text-anchor="middle" fill="#000" stroke="none">a&lt;b</text>',
    );
  });
});

describe('nutTemplate', () => {
  const make = () => nutTemplate(20, [1, 0.5], { centres: [0.5, 19.75], gaps: [18.5] });

  test('two edges a slot at its string’s width, its centre marked over it', () => {
    expect(strokes(make().shapes).slice(0, 8)).toEqual([
      [8, 16, 28, 16, 0.15],
      [8, 28, 28, 28, 0.15],
      [8, 16, 8, 28, 0.1],
      [9, 16, 9, 28, 0.1],
      [8.5, 12, 8.5, 15, 0.1],
      [27.5, 16, 27.5, 28, 0.1],
      [28, 16, 28, 28, 0.1],
      [27.75, 12, 27.75, 15, 0.1],
    ]);
  });

  test('distances from the first centre, every other one lower, and the check line under all', () => {
    expect(words(make().shapes).slice(1, 3)).toEqual([
      [8.5, 32, 2.4, 'middle', '0.00'],
      [27.75, 35.2, 2.4, 'middle', '19.25'],
    ]);
    expect(strokes(make().shapes)[8]).toEqual([8, 45, 58, 45, 0.15]);
    expect([make().width, make().height]).toEqual([106, 56]);
    expect(nutTemplate(120, [1], { centres: [60], gaps: [] }).width).toBe(136);
  });
});

describe('saddleTemplate', () => {
  const flat = { radius: 'flat', spacing: 40, bass: 10, treble: 8, heights: [10, 9, 8] } as const;
  const make = () => saddleTemplate(flat);

  test('the base, and each string at its place and height', () => {
    expect(strokes(make().shapes).slice(0, 4)).toEqual([
      [8, 28, 60, 28, 0.15],
      [14, 28, 14, 18, 0.1],
      [34, 28, 34, 19, 0.1],
      [54, 28, 54, 20, 0.1],
    ]);
    expect(words(make().shapes).slice(1, 4)).toEqual([
      [14, 32, 2.4, 'middle', '10.00'],
      [34, 32, 2.4, 'middle', '9.00'],
      [54, 32, 2.4, 'middle', '8.00'],
    ]);
    expect(strokes(make().shapes)[4]).toEqual([8, 39, 58, 39, 0.15]);
    expect([make().width, make().height]).toEqual([116, 50]);
  });

  test('its top goes on straight over the shoulders, and never under the base', () => {
    const path = make().shapes.find((s) => s.kind === 'path');
    if (path?.kind !== 'path') throw new Error('no path');
    expect(path.points).toHaveLength(81);
    const [first, middle, last] = [path.points[0], path.points[40], path.points[80]];
    for (const [p, x, y] of [
      [first, 8, 28 - 10.3],
      [middle, 34, 19],
      [last, 60, 28 - 7.7],
    ] as const) {
      expect(p?.[0]).toBeCloseTo(x, 9);
      expect(p?.[1]).toBeCloseTo(y, 9);
    }
    const low = saddleTemplate({ ...flat, bass: 0.1, treble: 5, heights: [0.1, 5] });
    const lowPath = low.shapes.find((s) => s.kind === 'path');
    const base = strokes(low.shapes)[0]?.[1] ?? 0;
    if (lowPath?.kind === 'path') for (const [, y] of lowPath.points) expect(y).toBeLessThanOrEqual(base);
  });

  test('a tight arc ends where its circle does, one string stands in the middle', () => {
    const tight = saddleTemplate({ ...flat, radius: 22, bass: 10, treble: 10, heights: [10, 10] });
    expect(strokes(tight.shapes)[0]?.slice(0, 3)).toEqual([12, 28, 56]);
    const one = saddleTemplate({ ...flat, heights: [9] });
    expect(strokes(one.shapes)[1]?.[0]).toBe(34);
    expect(saddleTemplate({ ...flat, spacing: 120 }).width).toBe(148);
  });
});

describe('from above', () => {
  const spots = [
    { string: 2, across: 0, from: 2.5, to: 1 },
    { string: 1, across: 40, from: null, to: 2 },
  ];

  test('each string at its place: where it must leave, where it does, its number and its figure', () => {
    const made = contactTemplate(spots, 3);
    expect(made.title).toBe('Compensated saddle, true size');
    expect(strokes(made.shapes)).toEqual([
      [8, 17, 60, 17, 0.15],
      [8, 20, 60, 20, 0.15],
      [8, 17, 8, 20, 0.15],
      [60, 17, 60, 20, 0.15],
      [11.5, 18, 16.5, 18, 0.15],
      [12.8, 19.5, 15.2, 19.5, 0.1],
      [14, 15, 14, 22, 0.1],
      [51.5, 19, 56.5, 19, 0.15],
      [54, 15, 54, 22, 0.1],
      [8, 34, 58, 34, 0.15],
      [8, 32.5, 8, 35.5, 0.15],
      [58, 32.5, 58, 35.5, 0.15],
    ]);
    expect(words(made.shapes).slice(0, 5)).toEqual([
      [8, 6, 3, 'start', 'Saddle from above, front edge up, bass left. Figures: mm from the front edge.'],
      [14, 25, 2.4, 'middle', '1.00'],
      [14, 14, 2.4, 'middle', '2'],
      [54, 25, 2.4, 'middle', '2.00'],
      [54, 14, 2.4, 'middle', '1'],
    ]);
    expect([made.width, made.height]).toEqual([116, 46]);
    expect(contactTemplate([{ string: 1, across: 120, from: null, to: 1 }], 3).width).toBe(148);
  });

  test('what stands before the edge or behind it gets room', () => {
    const made = contactTemplate(
      [
        { string: 2, across: 0, from: null, to: -1.5 },
        { string: 1, across: 10, from: 5, to: 1 },
      ],
      3,
    );
    expect(strokes(made.shapes)[0]?.[1]).toBe(18.5);
    expect(strokes(made.shapes)[1]?.[1]).toBe(21.5);
    expect(words(made.shapes)[1]?.slice(0, 2)).toEqual([14, 28.5]);
    expect(words(made.shapes)[2]?.slice(0, 2)).toEqual([14, 14]);
    expect(made.height).toBe(49.5);
    expect(contactTemplate([{ string: 1, across: 0, from: -1, to: 1 }], 3).height).toBe(47);
    expect(contactTemplate([{ string: 1, across: 0, from: null, to: 4 }], 3).height).toBe(47);
  });

  test('at the nut the figure is what comes beyond its front edge, which is where each stands now', () => {
    const made = nutContactTemplate([{ string: 1, across: 0, from: null, to: 0.8 }], 5);
    expect(made.title).toBe('Compensated nut, true size');
    const [front, back] = strokes(made.shapes);
    expect(strokes(made.shapes)[4]?.[1]).toBeCloseTo((front?.[1] ?? 0) + 5.8, 9);
    expect(strokes(made.shapes)[5]?.[1]).toBeCloseTo(back?.[1] ?? 0, 9);
    // The figure is what the table says: beyond the front edge, without the nut's own thickness.
    const said = words(made.shapes).map(([, , , , text]) => text);
    expect(said).toContain('0.80');
    expect(said).not.toContain('5.80');
  });
});

describe('a length in a drawing', () => {
  test.each([
    [0, '0'],
    [-0.00001, '0'],
    [12, '12'],
    [-3, '-3'],
    [0.5, '0.5'],
    [-0.5, '-0.5'],
    [1.0203, '1.0203'],
    [10.01, '10.01'],
    [-7.00004, '-7'],
    [0.00005, '0.0001'],
  ])('%d reads %s', (value, text) => {
    expect(shortest(value)).toBe(text);
  });

  test('is the number rounded to a ten-thousandth, said as short as it can be', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e5, max: 1e5, noNaN: true }), (value) => {
        expect(shortest(value)).toBe(String(Math.round(value * 1e4) / 1e4));
      }),
    );
  });
});

describe('a drawing for a left-handed instrument', () => {
  const right = nutTemplate(36, [1.35, 0.3], { centres: [0.6, 35], gaps: [33] });
  const left = leftHanded(right);
  const levels = (d: typeof right) => d.shapes.filter((s) => s.kind === 'line' && s.y1 === s.y2);

  test('is turned round from side to side and says so', () => {
    expect(left.shapes.map((s) => (s.kind === 'text' ? s.text : '')).join(' ')).toContain('bass side right');
    const upright = (d: typeof right) =>
      d.shapes.flatMap((s) => (s.kind === 'line' && s.x1 === s.x2 && s.weight === 0.1 ? [s.x1] : []));
    expect(upright(left)).toEqual(upright(right).map((x) => right.width - x));
  });

  test('keeps its check line where it is, and every length', () => {
    expect(left.shapes.slice(-4)).toEqual(right.shapes.slice(-4));
    const lengths = (d: typeof right) =>
      levels(d).map((s) => (s.kind === 'line' ? Math.abs(s.x2 - s.x1).toFixed(9) : ''));
    expect(lengths(left)).toEqual(lengths(right));
  });

  test('turned twice it lies as before', () => {
    const again = leftHanded(left);
    expect(again.shapes.map((s) => (s.kind === 'line' ? Number(s.x1.toFixed(9)) : 0))).toEqual(
      right.shapes.map((s) => (s.kind === 'line' ? Number(s.x1.toFixed(9)) : 0)),
    );
  });
});
