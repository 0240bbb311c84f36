import { fretPosition } from '../neck/fret-position.ts';
import { HAIR, label, line, THIN, type Drawing, type Shape } from '../templates/drawing.ts';
import type { BeforeAfterReading } from './customer-sheet.ts';

const WIDTH = 170;
const HEIGHT = 46;
const FLOOR = 36;
const ENLARGED = 6;
const MM_PER_DASH = 2;

interface Shown {
  readonly scale: number;
  readonly frets: number;
  readonly bodyFret: number;
  readonly readings: readonly BeforeAfterReading[];
}

const meanOf = (some: readonly number[]): number | null =>
  some.length === 0 ? null : some.reduce((s, v) => s + v, 0) / some.length;

function read(s: Shown, when: 'before' | 'after') {
  const of = (quantity: BeforeAfterReading['quantity']) =>
    s.readings.filter((r) => r.quantity === quantity && r[when] !== null);
  const action = of('action');
  return {
    relief: meanOf(of('relief').map((r) => r[when] ?? 0)) ?? 0,
    nut: meanOf(of('nut-gap').map((r) => r[when] ?? 0)),
    action: meanOf(action.map((r) => r[when] ?? 0)),
    fret: action[0]?.fret ?? 12,
  };
}

/** A dashed line as short ones: the printer of true-size drawings knows no dashes. */
function dashed(points: readonly (readonly [number, number])[]): Shape[] {
  return points.slice(1).flatMap(([x2, y2], i) => {
    const [x1, y1] = points[i] ?? [x2, y2];
    const length = Math.hypot(x2 - x1, y2 - y1);
    const count = Math.max(1, Math.round(length / (2 * MM_PER_DASH)));
    return Array.from({ length: count }, (_, k) => {
      const at = (t: number): [number, number] => [x1 + (x2 - x1) * t, y1 + (y2 - y1) * t];
      const [a, b] = [at(k / count), at((k + 0.5) / count)];
      return line(a[0], a[1], b[0], b[1], HAIR);
    });
  });
}

function curves(s: Shown, when: 'before' | 'after', at: (mm: number) => number): Shape[] {
  const { relief, action, fret, nut } = read(s, when);
  const joint = fretPosition(s.scale, s.bodyFret);
  const dip = (x: number): number => (x < joint ? (4 * relief * x * (joint - x)) / (joint * joint) : 0);
  const y = (height: number): number => FLOOR - height * ENLARGED;
  const board = Array.from({ length: 25 }, (_, i) => {
    const x = (fretPosition(s.scale, s.frets) * i) / 24;
    return [at(x), y(-dip(x))] as const;
  });
  const shapes: Shape[] =
    when === 'before' ? dashed(board) : [{ kind: 'path', points: board, weight: HAIR * 2 }];
  if (action === null) return shapes;
  // Held from the nut over the reading's fret: enough to show lower and higher, not to measure by.
  const start = nut ?? 0.4;
  const x = fretPosition(s.scale, fret);
  const end = start + ((action - dip(x) - start) * s.scale) / x;
  const string = [
    [at(0), y(start)],
    [at(s.scale), y(Math.min(end, (FLOOR - 6) / ENLARGED))],
  ] as const;
  return [...shapes, ...(when === 'before' ? dashed(string) : [line(...string[0], ...string[1], HAIR * 2)])];
}

/**
 * The neck from the side before (dashed) and after (whole lines), strings and board, heights enlarged. In mm of paper.
 * @returns null where neither relief nor action was read both times
 */
export function sheetDrawing(s: Shown): Drawing | null {
  const both = s.readings.some(
    (r) => (r.quantity === 'relief' || r.quantity === 'action') && r.before !== null && r.after !== null,
  );
  if (!both) return null;
  const at = (mm: number): number => 4 + (mm / s.scale) * (WIDTH - 8);
  const frets = Array.from({ length: s.frets }, (_, i) => {
    const x = at(fretPosition(s.scale, i + 1));
    return line(x, FLOOR + 3, x, FLOOR + 5, THIN);
  });
  return {
    title: 'The neck from the side, before and after',
    width: WIDTH,
    height: HEIGHT,
    shapes: [
      ...curves(s, 'before', at),
      ...curves(s, 'after', at),
      ...frets,
      line(at(0), FLOOR - 8, at(0), FLOOR + 5, HAIR),
      line(at(s.scale), FLOOR - 20, at(s.scale), FLOOR + 5, HAIR),
      label(at(0), HEIGHT - 1, 'nut'),
      label(at(s.scale) - 10, HEIGHT - 1, 'saddle'),
      label(
        WIDTH / 2,
        HEIGHT - 1,
        `dashed: before, whole: now; heights ${Math.round((ENLARGED * s.scale) / (WIDTH - 8))} times enlarged`,
        'middle',
      ),
    ],
  };
}
