import type { Construction } from './construction.ts';
import type { KindRecord } from './kind-record.ts';
import { KIND_RECORDS } from './kinds.ts';

/** The sides an instrument is looked at from. */
export const VIEWS = ['front', 'back', 'bass-side', 'treble-side', 'head'] as const;
export type View = (typeof VIEWS)[number];

export const VIEW_NAMES: Readonly<Record<View, string>> = {
  front: 'Front',
  back: 'Back',
  'bass-side': 'Bass side',
  'treble-side': 'Treble side',
  head: 'Headstock',
};

type Point = readonly [x: number, y: number];

/** A drawing in its own units: closed shapes and single lines, as SVG path data. */
export interface Outline {
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly string[];
  readonly lines: readonly string[];
}

type Family = KindRecord['outline'];

/** Half contours from the neck to the tail: distance from the middle, distance from the top of the drawing. */
const WAISTED: readonly Point[] = [
  [16, 40.5],
  [30, 47],
  [36, 59],
  [32, 74],
  [30, 83],
  [37, 96],
  [47, 112],
  [46, 128],
  [34, 140],
  [16, 144.5],
];
const ROUND_HORN: readonly Point[] = [
  [6, 54],
  [12, 48],
  [19, 42],
  [28, 41],
  [34, 49],
  [34, 61],
  [31, 75],
  [34, 87],
  [43, 102],
  [48, 117],
  [44, 132],
  [31, 141],
  [14, 145],
];
const LONG_HORN: readonly Point[] = [
  [6, 57],
  [11, 50],
  [15, 40],
  [22, 32],
  [30, 34],
  [34, 47],
  [32, 66],
  [32, 84],
  [41, 101],
  [46, 118],
  [41, 134],
  [27, 143],
  [12, 145],
];
const LONGER_HORN: readonly Point[] = [
  [6, 55],
  [11, 45],
  [15, 32],
  [22, 23],
  [30, 26],
  ...LONG_HORN.slice(5),
];

const HALVES: Readonly<Record<Family, readonly [bass: readonly Point[], treble: readonly Point[]]>> = {
  waisted: [WAISTED, WAISTED],
  rounded: [ROUND_HORN, ROUND_HORN],
  'single-cut': [WAISTED, ROUND_HORN],
  'two-horned': [LONG_HORN, ROUND_HORN],
  'long-horned': [LONGER_HORN, ROUND_HORN],
};

const BODY = { width: 100, height: 150, middle: 50 } as const;
const HEAD = { width: 60, height: 90, middle: 30 } as const;
const SIDE = { width: 150, height: 40 } as const;

const at = ([x, y]: Point): string => `${Number(x.toFixed(2))} ${Number(y.toFixed(2))}`;

/** A smooth closed curve through the points (Catmull–Rom as cubic Béziers). */
function smooth(points: readonly Point[]): string {
  const n = points.length;
  const p = (i: number): Point => points[(i + n) % n] ?? [0, 0];
  const curves = points.map((_, i) => {
    const [a, b, c, d] = [p(i - 1), p(i), p(i + 1), p(i + 2)];
    const one: Point = [b[0] + (c[0] - a[0]) / 6, b[1] + (c[1] - a[1]) / 6];
    const two: Point = [c[0] - (d[0] - b[0]) / 6, c[1] - (d[1] - b[1]) / 6];
    return `C${at(one)} ${at(two)} ${at(c)}`;
  });
  return `M${at(p(0))}${curves.join('')}Z`;
}

const closed = (points: readonly Point[]): string => `M${points.map(at).join('L')}Z`;
/** A ring is round, anything with fewer corners has corners. */
const drawn = (points: readonly Point[]): string => (points.length > 8 ? smooth(points) : closed(points));
const line = (a: Point, b: Point): string => `M${at(a)}L${at(b)}`;
const box = (x: number, y: number, w: number, h: number): Point[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const ring = (x: number, y: number, r: number): Point[] =>
  Array.from({ length: 12 }, (_, i) => {
    const turn = (i * Math.PI) / 6;
    return [x + r * Math.cos(turn), y + r * Math.sin(turn)];
  });

type Flip = (p: Point) => Point;

/** What stands on the front of each family besides the body: soundhole or f-holes, pickups, bridge. */
function front(family: Family): Point[][] {
  const bridge = box(38, 113, 24, 5);
  if (family === 'waisted') return [ring(50, 73, 9), bridge];
  const hole = (x: number, lean: number): Point[] => [
    [x, 84],
    [x + lean, 96],
    [x, 108],
    [x - lean, 96],
  ];
  const pickups = [box(40, 76, 20, 6), box(40, 98, 20, 6)];
  return family === 'two-horned' || family === 'long-horned'
    ? [...pickups, bridge]
    : [hole(26, 2.5), hole(74, 2.5), bridge];
}

function body(family: Family, view: 'front' | 'back', flip: Flip): Outline {
  const [bass, treble] = HALVES[family];
  const m = BODY.middle;
  const contour: Point[] = [
    ...treble.map(([x, y]): Point => [m + x, y]),
    [m, 145.5],
    ...bass.toReversed().map(([x, y]): Point => [m - x, y]),
    ...(family === 'waisted' ? ([[m, 40]] as Point[]) : []),
  ];
  const joint = (treble[0]?.[1] ?? 40) + (family === 'waisted' ? 0 : 4);
  const neck = [
    [m - 4, 0],
    [m + 4, 0],
    [m + 5, joint + 14],
    [m - 5, joint + 14],
  ] as Point[];
  const heel = box(m - 6, joint, 12, 12);
  const parts = view === 'front' ? front(family) : [heel];
  return {
    width: BODY.width,
    height: BODY.height,
    shapes: [contour.map(flip)]
      .map(smooth)
      .concat(
        closed((view === 'front' ? neck : neck.map(([x, y]): Point => [x, Math.min(y, joint)])).map(flip)),
      ),
    lines: parts.map((p) => drawn(p.map(flip))),
  };
}

const DEPTH: Readonly<Record<Family, number>> = {
  waisted: 20,
  'single-cut': 17,
  rounded: 11,
  'two-horned': 8,
  'long-horned': 8,
};

function side(family: Family, flip: Flip): Outline {
  const depth = DEPTH[family];
  const top = 10;
  const neck = [
    [0, top - 2],
    [52, top - 2],
    [52, top + 4],
    [0, top + 2.5],
  ] as Point[];
  const rim = [
    [46, top],
    [146, top],
    [148, top + 3],
    [146, top + depth],
    [46, top + depth * 0.92],
    [44, top + 3],
  ] as Point[];
  return {
    width: SIDE.width,
    height: SIDE.height,
    shapes: [closed(rim.map(flip)), closed(neck.map(flip))],
    lines: [line(flip([58, top + 1.5]), flip([142, top + 1.5])), closed(box(108, top - 3, 14, 3).map(flip))],
  };
}

function head(strings: number, flip: Flip): Outline {
  const m = HEAD.middle;
  const shape = [
    [m - 9, 90],
    [m - 10, 80],
    [m - 16, 70],
    [m - 18, 14],
    [m - 8, 9],
    [m, 12],
    [m + 8, 9],
    [m + 18, 14],
    [m + 16, 70],
    [m + 10, 80],
    [m + 9, 90],
  ] as Point[];
  const left = Math.ceil(strings / 2);
  const posts = (count: number, x: number): Point[][] =>
    Array.from({ length: count }, (_, i) => ring(x, 20 + (i * 46) / Math.max(1, count - 1), 2.4));
  return {
    width: HEAD.width,
    height: HEAD.height,
    shapes: [closed(shape.map(flip))],
    lines: [...posts(left, m - 11), ...posts(strings - left, m + 11), box(m - 9, 82, 18, 2.5)].map((p) =>
      drawn(p.map(flip)),
    ),
  };
}

/**
 * An outline of the instrument's family, drawn for marking damage on. The front stands with the neck up and the bass
 * side at the left, the back as one turns the instrument round; a left-handed one is the mirror image. Own shapes.
 */
export function outline(
  construction: Pick<Construction, 'kind' | 'leftHanded' | 'strings'>,
  view: View,
): Outline {
  const family = KIND_RECORDS[construction.kind].outline;
  const width = { front: 100, back: 100, head: 60, 'bass-side': 150, 'treble-side': 150 }[view];
  const turned = view === 'back' || view === 'treble-side';
  const mirrored = turned !== construction.leftHanded;
  const flip: Flip = ([x, y]) => [mirrored ? width - x : x, y];
  if (view === 'head') return head(construction.strings.length, flip);
  return view === 'front' || view === 'back' ? body(family, view, flip) : side(family, flip);
}

/**
 * Where a mark stands across a drawing, between what is kept (as on a right-handed instrument) and what is drawn.
 * Its own inverse: `acrossDrawing(0.2, true)` is 0.8, and back again.
 */
export const acrossDrawing = (x: number, leftHanded: boolean): number => (leftHanded ? 1 - x : x);
