import fc from 'fast-check';
import { fretPosition } from '../neck/fret-position.ts';
import type { Shape } from '../templates/drawing.ts';
import type { BeforeAfterReading } from './customer-sheet.ts';
import { sheetDrawing } from './sheet-drawing.ts';

const reading = (
  quantity: BeforeAfterReading['quantity'],
  before: number | null,
  after: number | null,
  string = 1,
): BeforeAfterReading => ({
  label: quantity,
  quantity,
  string,
  fret: quantity === 'relief' ? 7 : 12,
  before,
  after,
});

const NECK = { scale: 648, frets: 20, bodyFret: 14 };
const draw = (readings: readonly BeforeAfterReading[], neck = NECK) => sheetDrawing({ ...neck, readings });
/** On 170 mm of paper with 4 mm left free at each end; the nut's line at 36, six times enlarged. */
const across = (mm: number, scale = NECK.scale) => 4 + (mm / scale) * 162;
const down = (height: number) => 36 - 6 * height;

type Line = Extract<Shape, { kind: 'line' }>;
type Path = Extract<Shape, { kind: 'path' }>;
const linesOf = (shapes: readonly Shape[] = []) => shapes.filter((s): s is Line => s.kind === 'line');
const pathOf = (shapes: readonly Shape[] = []) => shapes.find((s): s is Path => s.kind === 'path');
const weighing = (shapes: readonly Shape[], weight: number) =>
  linesOf(shapes).filter((l) => Math.abs(l.weight - weight) < 1e-9);
const lengthOf = (l: Line) => Math.hypot(l.x2 - l.x1, l.y2 - l.y1);
/** The dashes: thin lines that are neither nut nor saddle, which stand upright. */
const dashes = (shapes: readonly Shape[] = []) => weighing(shapes, 0.15).filter((l) => l.x1 !== l.x2);

const relief = (of: number) => (x: number) => {
  const joint = fretPosition(NECK.scale, NECK.bodyFret);
  return x < joint ? (of * 4 * x * (joint - x)) / joint ** 2 : 0;
};

describe('when there is a drawing', () => {
  test.each([
    ['relief both times', [reading('relief', 0.3, 0.1)], true],
    ['action both times', [reading('action', 2.5, 2)], true],
    ['one of two both times', [reading('relief', null, 0.1), reading('action', 2.5, 2)], true],
    ['only before', [reading('relief', 0.3, null)], false],
    ['only after', [reading('relief', null, 0.3)], false],
    ['one before, the other after', [reading('relief', 0.3, null), reading('action', null, 2)], false],
    ['something that is not drawn', [reading('nut-gap', 0.3, 0.1)], false],
    ['nothing at all', [], false],
  ] as const)('%s', (_name, readings, is) => {
    expect(draw(readings) !== null).toBe(is);
  });
});

describe('the board', () => {
  test('after the work is one whole line with the relief that was read, enlarged six times, straight past the body', () => {
    const board = pathOf(draw([reading('relief', 0.5, 0.2)])?.shapes);
    expect(board?.points).toHaveLength(25);
    expect(board?.weight).toBeCloseTo(0.3, 12);
    const end = fretPosition(648, 20);
    board?.points.forEach(([x, y], i) => {
      expect(x).toBeCloseTo(across((end * i) / 24), 9);
      expect(y).toBeCloseTo(down(-relief(0.2)((end * i) / 24)), 9);
    });
    // The deepest place is the relief itself: 0.2 mm are 1.2 mm of paper.
    expect(Math.max(...(board?.points ?? []).map(([, y]) => y))).toBeCloseTo(37.2, 1);
    const past = board?.points.filter(([x]) => x > across(fretPosition(648, 14))) ?? [];
    expect(past.length).toBeGreaterThan(2);
    expect(past.every(([, y]) => y === 36)).toBe(true);
  });

  test('before the work is dashed: short lines along the same curve, half of it drawn', () => {
    const drawn = draw([reading('relief', 0.5, 0.2)]);
    const before = dashes(drawn?.shapes);
    const total = before.reduce((s, l) => s + lengthOf(l), 0);
    const whole = across(fretPosition(648, 20)) - across(0);
    expect(total).toBeGreaterThan(0.49 * whole);
    expect(total).toBeLessThan(0.52 * whole);
    const tallest = Math.max(...before.map((l) => Math.max(l.y1, l.y2)));
    expect(tallest).toBeCloseTo(down(-0.5), 1);
    for (const l of before) {
      expect(lengthOf(l)).toBeLessThan(4);
      const mm = ((l.x1 - 4) / 162) * 648;
      expect(l.y1).toBeGreaterThan(down(-relief(0.5)(mm)) - 0.12);
      expect(l.y1).toBeLessThan(down(-relief(0.5)(mm)) + 0.02);
    }
    const starts = before.map((l) => l.x1);
    expect(starts).toEqual(starts.toSorted((a, b) => a - b));
    expect(starts[0]).toBeCloseTo(across(0), 9);
  });

  test('relief is the mean of what was read', () => {
    const [one, mean] = [
      draw([reading('relief', 0.5, 0.2)]),
      draw([reading('relief', 0.4, 0.1), reading('relief', 0.6, 0.3)]),
    ];
    pathOf(mean?.shapes)?.points.forEach(([x, y], i) => {
      expect(x).toBeCloseTo(pathOf(one?.shapes)?.points[i]?.[0] ?? NaN, 9);
      expect(y).toBeCloseTo(pathOf(one?.shapes)?.points[i]?.[1] ?? NaN, 9);
    });
  });

  test('is straight where relief was not read', () => {
    const board = pathOf(draw([reading('action', 2.5, 2)])?.shapes);
    expect(board?.points.every(([, y]) => y === 36)).toBe(true);
  });
});

describe('the strings', () => {
  const after = (readings: readonly BeforeAfterReading[], neck = NECK) =>
    weighing(draw(readings, neck)?.shapes ?? [], 0.3)[0];

  test('there are none where action was not read', () => {
    const drawn = draw([reading('relief', 0.5, 0.2)]);
    expect(weighing(drawn?.shapes ?? [], 0.3)).toHaveLength(0);
    expect(dashes(drawn?.shapes).every((l) => l.y1 >= 36)).toBe(true);
  });

  test('run from the nut’s gap over the action read, to the saddle', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.5, noNaN: true }),
        fc.double({ min: 0.5, max: 2.4, noNaN: true }),
        fc.double({ min: 0, max: 0.4, noNaN: true }),
        (nut, action, bow) => {
          const l = after([
            reading('nut-gap', 0.5, nut),
            reading('action', 3, action),
            reading('relief', 0.4, bow),
          ]);
          const x = fretPosition(648, 12);
          const held = action - relief(bow)(x);
          expect(l?.x1).toBeCloseTo(across(0), 9);
          expect(l?.y1).toBeCloseTo(down(nut), 9);
          expect(l?.x2).toBeCloseTo(across(648), 9);
          expect(l?.y2).toBeCloseTo(down(Math.min(5, nut + (held - nut) * (648 / x))), 9);
        },
      ),
    );
  });

  test('start a usual gap above the nut where that was not read', () => {
    expect(after([reading('action', 3, 2)])?.y1).toBeCloseTo(down(0.4), 9);
    expect(after([reading('action', 3, 2), reading('nut-gap', 0.5, null)])?.y1).toBeCloseTo(down(0.4), 9);
  });

  test('are the mean of all strings, each time of those read then', () => {
    const l = after([
      reading('action', 3, 1.5, 6),
      reading('action', null, 2.5, 1),
      reading('nut-gap', 0.4, 0.4),
    ]);
    expect(l?.y2).toBeCloseTo(down(0.4 + (2 - 0.4) * 2), 9);
  });

  test('before the work they are dashed, and stay on the paper however high they stood', () => {
    const drawn = draw([reading('action', 20, 2)]);
    const high = dashes(drawn?.shapes).filter((l) => l.y1 < 36);
    expect(Math.min(...high.map((l) => Math.min(l.y1, l.y2)))).toBeCloseTo(6, 0);
    expect(high.reduce((s, l) => s + lengthOf(l), 0)).toBeCloseTo(Math.hypot(162, down(0.4) - 6) / 2, 6);
    expect(high.length).toBe(Math.round(Math.hypot(162, down(0.4) - 6) / 4));
  });
});

describe('the frame', () => {
  const drawn = draw([reading('action', 2.5, 2)]);
  const upright = linesOf(drawn?.shapes).filter((l) => l.x1 === l.x2);

  test('has every fret under the board, nut and saddle across it', () => {
    const frets = upright.filter((l) => l.weight === 0.1);
    expect(frets.map((l) => l.x1)).toEqual(
      Array.from({ length: 20 }, (_, i) => across(fretPosition(648, i + 1))),
    );
    expect(frets.every((l) => l.y1 === 39 && l.y2 === 41)).toBe(true);
    const [nut, saddle, ...more] = upright.filter((l) => l.weight === 0.15);
    expect(more).toEqual([]);
    expect(nut).toMatchObject({ x1: 4, y1: 28, y2: 41 });
    expect(saddle).toMatchObject({ x1: 166, y1: 16, y2: 41 });
  });

  test('says what is dashed and how much heights are enlarged', () => {
    const words = drawn?.shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []));
    expect(words).toEqual(['nut', 'saddle', 'dashed: before, whole: now; heights 24 times enlarged']);
    const short = draw([reading('action', 2.5, 2)], { ...NECK, scale: 324 });
    expect(short?.shapes.some((s) => s.kind === 'text' && s.text.includes('heights 12 times'))).toBe(true);
    expect(drawn).toMatchObject({ width: 170, height: 46 });
  });
});
