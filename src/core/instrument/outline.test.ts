import { usualConstruction } from './defaults.ts';
import { KINDS } from './kinds.ts';
import { acrossDrawing, outline, VIEWS, type Outline } from './outline.ts';

/** Every coordinate of a drawing, by axis. */
function points({ shapes, lines }: Outline): {
  readonly xs: readonly number[];
  readonly ys: readonly number[];
} {
  const numbers = [...shapes, ...lines].flatMap((d) =>
    [...d.matchAll(/-?\d+(?:\.\d+)?/g)].map((m) => Number(m[0])),
  );
  return { xs: numbers.filter((_, i) => i % 2 === 0), ys: numbers.filter((_, i) => i % 2 === 1) };
}

const sorted = (all: readonly number[]): readonly number[] =>
  all.map((n) => Math.round(n * 100)).sort((a, b) => a - b);

describe.each(KINDS)('the drawings of a %s', (kind) => {
  const right = usualConstruction(kind);
  const left = { ...right, leftHanded: true };

  test.each(VIEWS)('%s stands whole inside its own frame', (view) => {
    const drawn = outline(right, view);
    const { xs, ys } = points(drawn);
    expect(xs.every((x) => Number.isFinite(x) && x >= -1 && x <= drawn.width + 1)).toBe(true);
    expect(ys.every((y) => Number.isFinite(y) && y >= -1 && y <= drawn.height + 1)).toBe(true);
    expect(drawn.shapes.every((d) => d.startsWith('M') && d.endsWith('Z'))).toBe(true);
  });

  test.each(VIEWS)('%s of a left-handed one is the mirror image', (view) => {
    const [a, b] = [outline(right, view), outline(left, view)];
    expect(b.width).toBe(a.width);
    expect(sorted(points(b).xs)).toEqual(sorted(points(a).xs.map((x) => a.width - x)));
    expect(sorted(points(b).ys)).toEqual(sorted(points(a).ys));
  });

  test('the back is the front turned round', () => {
    const contour = (o: Outline): Outline => ({ ...o, shapes: o.shapes.slice(0, 1), lines: [] });
    const [front, back] = [contour(outline(right, 'front')), contour(outline(right, 'back'))];
    expect(sorted(points(back).xs)).toEqual(sorted(points(front).xs.map((x) => front.width - x)));
  });

  test('the headstock has a post for every string, and the nut', () => {
    expect(outline(right, 'head').lines).toHaveLength(right.strings.length + 1);
  });
});

test('a hollow body is deeper than a solid one, seen from the side', () => {
  const depth = (kind: (typeof KINDS)[number]) =>
    Math.max(...points(outline(usualConstruction(kind), 'bass-side')).ys);
  expect(depth('steel-acoustic')).toBeGreaterThan(depth('archtop'));
  expect(depth('archtop')).toBeGreaterThan(depth('semi-hollow'));
  expect(depth('semi-hollow')).toBeGreaterThan(depth('solid-electric'));
});

test('only a waisted body has a round soundhole: one curve round', () => {
  expect(outline(usualConstruction('nylon'), 'front').lines).toHaveLength(2);
  expect(outline(usualConstruction('archtop'), 'front').lines).toHaveLength(3);
  expect(outline(usualConstruction('bass'), 'front').lines).toHaveLength(3);
  expect(outline(usualConstruction('nylon'), 'front').lines[0]?.match(/C/g)).toHaveLength(12);
});

test.each([
  [0, false, 0],
  [0.2, false, 0.2],
  [0.2, true, 0.8],
  [1, true, 0],
])('a mark kept at %d is drawn across (left-handed %s) at %d, and back', (kept, leftHanded, drawn) => {
  expect(acrossDrawing(kept, leftHanded)).toBeCloseTo(drawn, 12);
  expect(acrossDrawing(acrossDrawing(kept, leftHanded), leftHanded)).toBeCloseTo(kept, 12);
});
