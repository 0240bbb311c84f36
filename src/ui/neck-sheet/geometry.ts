import { acrossOf, type Construction } from '../../core/instrument/construction.ts';
import { alongNeck, fretAlong, scaleAcross } from '../../core/instrument/scales.ts';
import type { BoardShape } from '../../core/neck/board-shape.ts';
import { fretPosition } from '../../core/neck/fret-position.ts';
import { stringLine } from '../../core/neck/string-line.ts';
import { LIES_ON, nutSlot } from '../../core/nut/nut-slot.ts';
import { RELIEF_FRET, type SheetPart } from '../../core/readings/stations.ts';

/** What was measured of one string on one round, mm; null where it was not read. */
export interface Measured {
  readonly relief: number | null;
  /** how the neck's line lies off an even bow, where it was read at several frets or under a straightedge */
  readonly shape?: BoardShape | null;
  /** how much a fret's top stands over its neighbours', mm by fret */
  readonly tops?: ReadonlyMap<number, number>;
  readonly action: number | null;
  readonly nutGap: number | null;
}

/** Page measures of the sheet, px. Side and plan view share `x`. */
export interface SheetGeometry {
  readonly width: number;
  readonly left: number;
  readonly right: number;
  /** how much heights are enlarged against lengths */
  readonly enlarged: number;
  readonly x: (mm: number) => number;
  readonly rise: (mm: number) => number;
  readonly perMm: number;
}

/** The stretch of the neck that is drawn, mm from the nut. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** What a part of the sheet shows: all of it, its nut or its saddle. */
export function stretchOf(c: Construction, part: SheetPart): Stretch {
  // Where frets fan out, nut and saddle lie aslant: both sides of the board are in the picture.
  const sides = c.fan ? [0, 1] : [0];
  const least = (mm: (across: number) => number) => Math.min(...sides.map(mm));
  const most = (mm: (across: number) => number) => Math.max(...sides.map(mm));
  const nut = (across: number) => fretAlong(c, across, 0);
  const end = (across: number) => saddleAlong(c, across);
  if (part === 'nut') return { from: least(nut), to: most((across) => fretAlong(c, across, 8)) };
  if (part === 'saddle') return { from: least(end) - 70, to: most(end) + 14 };
  return { from: least(nut), to: most(end) };
}

/** Where the saddle lies along the neck, mm. @param across 0 at the bass side, 1 at the treble */
export const saddleAlong = (
  c: Pick<Construction, 'scale' | 'fan' | 'compensation'>,
  across: number,
): number => alongNeck(c, across, scaleAcross(c, across) + c.compensation);

/** The same page where lengths are those of a string, from its own nut. */
export const fromNut = (g: SheetGeometry, c: Construction, index: number): SheetGeometry => {
  const nut = fretAlong(c, acrossOf(c, index), 0);
  return nut === 0 ? g : { ...g, x: (mm) => g.x(mm + nut) };
};

const LABEL = 46;
export const FIELD = 86;
const LARGEST = 20;
/** Heights a tech can choose to see them at. */
export const ENLARGEMENTS = [1, 2, 5, 10, 20, 40] as const;
const TALLEST_PX = 106;
/** How high the side view is where that is all there is to it, px. */
export const USUAL_SIDE = 186;

/**
 * Lays the sheet out on a page width: gutters for the fields of a course's strings at both ends, the neck to scale
 * between them, heights enlarged as far as the tallest string line allows, 20 times at the most, or as the tech chose.
 */
export function sheetGeometry(
  construction: Construction,
  width: number,
  tallest: number,
  stretch: Stretch = stretchOf(construction, 'setup'),
  chosen: number | null = null,
  side = USUAL_SIDE,
): SheetGeometry {
  const left = LABEL + FIELD * construction.perCourse + 12;
  const right = FIELD * construction.perCourse + 18;
  const perMm = Math.max(0.2, (width - left - right) / (stretch.to - stretch.from));
  const fitting = Math.floor((TALLEST_PX - (USUAL_SIDE - side)) / (Math.max(tallest, 0.5) * perMm));
  const enlarged = chosen ?? Math.max(1, Math.min(LARGEST, fitting));
  const x = (mm: number) => left + (mm - stretch.from) * perMm;
  return { width, left, right, enlarged, x, rise: (mm) => mm * perMm * enlarged, perMm };
}

/** Height of a fret's top over the plane, mm: an even dip between first and last fret, as deep as the relief read. */
export function fretTop(construction: Construction, relief: number, fret: number): number {
  const [p, q, x] = [1, construction.frets, fret].map((n) => fretPosition(construction.scale, n)) as [
    number,
    number,
    number,
  ];
  if (x <= p || x >= q) return 0;
  return (-relief * 4 * (x - p) * (q - x)) / (q - p) ** 2;
}

/**
 * Height of a fret's top as it was read, mm: an even bow as deep as the relief says at the 7th, what the measured neck lies off it,
 * and what the fret stands up over its neighbours.
 */
export function readTop(construction: Construction, m: Measured, fret: number): number {
  const at7 = -fretTop(construction, 1, RELIEF_FRET);
  const even = at7 > 0 ? fretTop(construction, (m.relief ?? 0) / at7, fret) : 0;
  const wood = m.shape ? ((m.shape.bass[fret] ?? 0) + (m.shape.treble[fret] ?? 0)) / 2 : 0;
  return even + wood + (m.tops?.get(fret) ?? 0);
}

/** Heights of the string at nut and saddle, mm, with the usual nut where its gap was not read. Null without an action. */
export function lineOf(construction: Construction, m: Measured): { nut: number; saddle: number } | null {
  if (m.action === null) return null;
  const nut = (m.nutGap ?? 0.12) * nutSlot(LIES_ON, 0, 0).perGap;
  const points = [
    { fret: 0, height: nut },
    { fret: 12, height: m.action, fretTop: readTop(construction, m, 12) },
  ] as const;
  return stringLine(construction.scale, points, construction.compensation);
}

/**
 * Places labels of one width on a line without overlap, each as near to where it wants to be as the others allow
 * (pool adjacent violators: least squares of the moves), inside 0 … room.
 * @param wants centres wanted, px, in any order
 * @returns left edges, in the order given
 */
export function placeLabels(wants: readonly number[], width: number, gap: number, room: number): number[] {
  const step = width + gap;
  const order = wants.map((want, i) => ({ want, i })).sort((a, b) => a.want - b.want || a.i - b.i);
  const blocks: { sum: number; n: number }[] = [];
  order.forEach(({ want }, k) => {
    blocks.push({ sum: want - width / 2 - k * step, n: 1 });
    for (
      let b = blocks.at(-1), a = blocks.at(-2);
      a && b && a.sum / a.n > b.sum / b.n;
      b = blocks.at(-1), a = blocks.at(-2)
    ) {
      blocks.splice(-2, 2, { sum: a.sum + b.sum, n: a.n + b.n });
    }
  });
  const last = Math.max(0, room - width - (wants.length - 1) * step);
  const bases = blocks.flatMap((b) =>
    Array.from({ length: b.n }, () => Math.min(last, Math.max(0, b.sum / b.n))),
  );
  const edges = new Array<number>(wants.length).fill(0);
  order.forEach(({ i }, k) => (edges[i] = (bases[k] ?? 0) + k * step));
  return edges;
}

/**
 * The row a string is drawn on, seen from above with the nut at the left: the lowest string farthest from the eye, on a
 * left-handed instrument the nearest.
 * @param index of the string, 0 the lowest
 */
export function rowOfString(
  c: Pick<Construction, 'strings' | 'perCourse' | 'leftHanded'>,
  index: number,
): number {
  const row = Math.floor(index / c.perCourse);
  return c.leftHanded ? c.strings.length / c.perCourse - 1 - row : row;
}
