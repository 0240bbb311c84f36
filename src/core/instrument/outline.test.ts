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

/** A path's corners, in order: a straight one's points, a curved one's ends. */
const corners = (d = ''): readonly (readonly [number, number])[] =>
  [...d.matchAll(/[MLC]([^MLCZ]*)/g)].map((m) => {
    const numbers = [...(m[1] ?? '').matchAll(/-?\d+(?:\.\d+)?/g)].map((n) => Number(n[0]));
    return [numbers.at(-2) ?? NaN, numbers.at(-1) ?? NaN] as const;
  });
const box = (d?: string) => {
  const [xs, ys] = [corners(d).map(([x]) => x), corners(d).map(([, y]) => y)];
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
};
/** Points on a curved path, each curve at its ends and halfway. */
const along = (d = ''): readonly (readonly [number, number])[] => {
  const ends = corners(d);
  return [...d.matchAll(/C([^CZ]*)/g)].flatMap((m, i) => {
    const [ax = 0, ay = 0, bx = 0, by = 0, x = 0, y = 0] = [...(m[1] ?? '').matchAll(/-?\d+(?:\.\d+)?/g)].map(
      (n) => Number(n[0]),
    );
    const [fx, fy] = ends[i] ?? [0, 0];
    return [[(fx + 3 * ax + 3 * bx + x) / 8, (fy + 3 * ay + 3 * by + y) / 8] as const, [x, y] as const];
  });
};
const drawing = (kind: (typeof KINDS)[number], view: (typeof VIEWS)[number]) =>
  outline(usualConstruction(kind), view);

describe('what stands on the front', () => {
  test('a soundhole is round, its curves as well as their ends', () => {
    const round = along(drawing('nylon', 'front').lines[0]);
    expect(round).toHaveLength(24);
    for (const [x, y] of round) expect(Math.hypot(x - 50, y - 73)).toBeCloseTo(9, 1);
    const turns = round.map(([x, y]) => Math.round((Math.atan2(y - 73, x - 50) * 180) / Math.PI));
    expect(new Set(turns).size).toBe(24);
  });

  test.each([
    ['nylon', 1],
    ['archtop', 2],
    ['semi-hollow', 2],
    ['solid-electric', 2],
    ['bass', 2],
  ] as const)('the bridge of a %s lies across the middle', (kind, nth) => {
    expect(box(drawing(kind, 'front').lines[nth])).toEqual([38, 113, 62, 118]);
    expect(corners(drawing(kind, 'front').lines[nth])).toHaveLength(4);
  });

  test.each(['solid-electric', 'bass'] as const)('a %s has two pickups', (kind) => {
    expect(
      drawing(kind, 'front')
        .lines.slice(0, 2)
        .map((d) => box(d)),
    ).toEqual([
      [40, 76, 60, 82],
      [40, 98, 60, 104],
    ]);
  });

  test.each(['archtop', 'semi-hollow'] as const)('a %s has a slender hole at each side', (kind) => {
    const holes = drawing(kind, 'front').lines.slice(0, 2);
    expect(holes.map((d) => box(d))).toEqual([
      [23.5, 84, 28.5, 108],
      [71.5, 84, 76.5, 108],
    ]);
    expect(corners(holes[0])).toEqual([
      [26, 84],
      [28.5, 96],
      [26, 108],
      [23.5, 96],
    ]);
  });
});

describe('the body', () => {
  const contour = (kind: (typeof KINDS)[number]) => corners(drawing(kind, 'front').shapes[0]);
  const top = (kind: (typeof KINDS)[number], side: 'bass' | 'treble') =>
    Math.min(
      ...contour(kind)
        .filter(([x]) => (side === 'bass' ? x < 45 : x > 55))
        .map(([, y]) => y),
    );

  test('a waisted one is the same at both sides, with the neck’s end in its contour', () => {
    for (const [x, y] of contour('steel-acoustic'))
      expect(contour('steel-acoustic')).toContainEqual([100 - x, y]);
    expect(contour('steel-acoustic')).toContainEqual([50, 40]);
    expect(contour('semi-hollow')).not.toContainEqual([50, 40]);
  });

  test('horns reach further up at the bass side; a single cut is at the treble side', () => {
    expect(top('solid-electric', 'bass')).toBeLessThan(top('solid-electric', 'treble'));
    expect(top('bass', 'bass')).toBeLessThan(top('solid-electric', 'bass'));
    expect(contour('archtop')).toContainEqual([50 - 16, 40.5]);
    expect(contour('archtop')).toContainEqual([50 + 6, 54]);
  });

  test('its line bends between its corners and never far from them', () => {
    for (const kind of KINDS) {
      const d = drawing(kind, 'front').shapes[0];
      const ends = [...corners(d)];
      along(d).forEach(([x, y], i) => {
        if (i % 2 === 1) return;
        const [[fx, fy] = [0, 0], [tx, ty] = [0, 0]] = [ends[i / 2], ends[i / 2 + 1]];
        const chord = Math.hypot(tx - fx, ty - fy);
        expect(Math.hypot(x - (fx + tx) / 2, y - (fy + ty) / 2)).toBeLessThan(Math.max(0.35 * chord, 0.5));
      });
    }
    // Round the tail of a waisted body the line goes out past its chord, not in.
    const tail = along(drawing('nylon', 'front').shapes[0]).filter(([x]) => Math.abs(x - 50) < 16);
    expect(Math.max(...tail.map(([, y]) => y))).toBeGreaterThan(144.9);
  });

  test.each([
    ['nylon', 40.5],
    ['solid-electric', 58],
    ['bass', 58],
    ['archtop', 58],
    ['semi-hollow', 58],
  ] as const)(
    'the neck of a %s goes into the body in front and ends at %d behind, with its heel',
    (kind, joint) => {
      expect(box(drawing(kind, 'front').shapes[1])).toEqual([45, 0, 55, joint + 14]);
      const back = box(drawing(kind, 'back').shapes[1]);
      expect([back[1], back[3]]).toEqual([0, joint]);
      expect(drawing(kind, 'back').lines.map((d) => box(d))).toEqual([[44, joint, 56, joint + 12]]);
    },
  );
});

test('a side view has its binding and its bridge, and the treble side looks the other way', () => {
  const bass = drawing('nylon', 'bass-side');
  expect(corners(bass.lines[0])).toEqual([
    [58, 11.5],
    [142, 11.5],
  ]);
  expect(box(bass.lines[1])).toEqual([108, 7, 122, 10]);
  expect(box(bass.shapes[0])).toEqual([44, 10, 148, 30]);
  expect(box(drawing('nylon', 'treble-side').lines[1])).toEqual([28, 7, 42, 10]);
  expect(box(drawing('nylon', 'treble-side').shapes[1])?.[2]).toBe(150);
});

test('posts stand in two rows, the odd one at the bass side, the nut below them', () => {
  const middles = (strings: number) =>
    outline(
      { ...usualConstruction('bass'), strings: usualConstruction('twelve-string').strings.slice(0, strings) },
      'head',
    )
      .lines.slice(0, -1)
      .map((d) => box(d))
      .map(([a = 0, b = 0, c = 0, e = 0]) => [(a + c) / 2, (b + e) / 2].map((n) => Math.round(n * 10) / 10));
  expect(middles(6)).toEqual([
    [19, 20],
    [19, 43],
    [19, 66],
    [41, 20],
    [41, 43],
    [41, 66],
  ]);
  expect(middles(5)).toEqual([
    [19, 20],
    [19, 43],
    [19, 66],
    [41, 20],
    [41, 66],
  ]);
  expect(middles(1)).toEqual([[19, 20]]);
  const { lines, shapes } = drawing('nylon', 'head');
  expect(box(lines.at(-1))).toEqual([21, 82, 39, 84.5]);
  expect(box(shapes[0])).toEqual([12, 9, 48, 90]);
});
