import type { Construction } from '../../core/instrument/construction.ts';
import { fretPosition } from '../../core/neck/fret-position.ts';
import { stringLine } from '../../core/neck/string-line.ts';
import { nutSlot } from '../../core/nut/nut-slot.ts';
import { HELD_AT } from '../../core/readings/stations.ts';

/** What was measured of one string on one round, mm; null where it was not read. */
export interface Measured {
  readonly relief: number | null;
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
}

const LABEL = 46;
export const FIELD = 86;
const LARGEST = 20;
const TALLEST_PX = 122;

/**
 * Lays the sheet out on a page width: gutters for the fields of a course's strings at both ends, the neck to scale
 * between them, heights enlarged as far as the tallest string line allows, 20 times at the most.
 */
export function sheetGeometry(construction: Construction, width: number, tallest: number): SheetGeometry {
  const left = LABEL + FIELD * construction.perCourse + 12;
  const right = FIELD * construction.perCourse + 18;
  const length = construction.scale + construction.compensation;
  const perMm = Math.max(0.2, (width - left - right) / length);
  const enlarged = Math.max(2, Math.min(LARGEST, Math.floor(TALLEST_PX / (Math.max(tallest, 0.5) * perMm))));
  return { width, left, right, enlarged, x: (mm) => left + mm * perMm, rise: (mm) => mm * perMm * enlarged };
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

/** Heights of the string at nut and saddle, mm, with the usual nut where its gap was not read. Null without an action. */
export function lineOf(construction: Construction, m: Measured): { nut: number; saddle: number } | null {
  if (m.action === null) return null;
  const nut = (m.nutGap ?? 0.12) * nutSlot(HELD_AT, 0, 0).perGap;
  const points = [
    { fret: 0, height: nut },
    { fret: 12, height: m.action, fretTop: fretTop(construction, m.relief ?? 0, 12) },
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
