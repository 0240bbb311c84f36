import { acrossOf, type Construction } from '../../core/instrument/construction.ts';
import { fretAlong } from '../../core/instrument/scales.ts';
import type { SheetPart } from '../../core/readings/stations.ts';
import { FIELD, placeLabels, rowOfString, saddleAlong, USUAL_SIDE, type SheetGeometry } from './geometry.ts';
import { ROW } from './plan-view.tsx';
import type { StationView } from '../../core/job/views/sheet-stations.ts';

export const HEAD_FIELD = 176;
export const HEAD = 88;
const CELL = 46;

/** How high the side view is, px: lower under more than one line of heads, so that every string stays in sight on a tablet. */
export const sideHeight = (headHeight: number): number => (headHeight > HEAD ? 140 : USUAL_SIDE);

/** Where a field of the sheet stands, px. */
export interface Placed {
  readonly station: StationView;
  readonly left: number;
  readonly top: number;
  readonly width: number;
  /** a head carries its name and words; a cell only its mark */
  readonly kind: 'head' | 'cell' | 'dense';
}

/** The stations of a part of the sheet, in the order Enter goes. */
export function stationsOfPart(
  part: SheetPart,
  stations: readonly StationView[],
  actionFret: number,
): readonly StationView[] {
  const pick = (...tests: ((s: StationView) => boolean)[]) => tests.flatMap((t) => stations.filter(t));
  switch (part) {
    case 'setup':
      return stations.filter((s) => s.part === 'setup');
    case 'neck':
      return pick(
        (s) => s.quantity === 'relief',
        (s) => s.quantity === 'action' && s.fret === actionFret,
        (s) => s.quantity === 'straightedge',
      );
    case 'nut':
      return pick(
        (s) => s.quantity === 'nut-gap',
        (s) => s.part === 'nut',
      );
    case 'saddle':
      return pick(
        (s) => s.quantity === 'saddle-standout',
        (s) => s.part === 'saddle' && s.quantity !== 'saddle-standout',
        (s) => s.quantity === 'intonation' && s.fret === 12,
      );
    case 'frets':
    case 'body':
      return stations.filter((s) => s.part === part);
  }
}

const isHead = (s: StationView, part: SheetPart): boolean =>
  s.quantity === 'straightedge'
    ? false
    : part === 'frets'
      ? s.quantity !== 'fret-height' && s.quantity !== 'fret-rock'
      : s.string === 0 ||
        s.quantity === 'saddle-standout' ||
        (part === 'setup' && s.quantity === 'action') ||
        part === 'body';

/** The place on the neck a head points to, px; null for one that points nowhere. */
export function spotOf(s: StationView, c: Construction, g: SheetGeometry): number | null {
  const across =
    s.string > 0 && s.string <= c.strings.length ? acrossOf(c, c.strings.length - s.string) : 0.5;
  if (
    s.quantity === 'relief' ||
    s.quantity === 'action' ||
    s.quantity === 'radius' ||
    s.quantity === 'fall-away'
  )
    return g.x(fretAlong(c, across, s.fret));
  if (s.part === 'nut') return g.x(fretAlong(c, across, 0));
  if (s.part === 'saddle' || s.quantity === 'saddle-standout') return g.x(saddleAlong(c, across));
  return null;
}

const headsALine = (width: number): number => Math.max(1, Math.floor((width + 14) / (HEAD_FIELD + 14)));

/** How high the lines of heads are together, px. */
export const headsHeight = (part: SheetPart, stations: readonly StationView[], width: number): number =>
  Math.max(1, Math.ceil(stations.filter((s) => isHead(s, part)).length / headsALine(width))) * HEAD;

/** Lays heads out in as many lines as they need, each as near to its place as the others allow. */
export function placeHeads(
  part: SheetPart,
  stations: readonly StationView[],
  c: Construction,
  g: SheetGeometry,
): { readonly heads: readonly Placed[]; readonly height: number } {
  const all = stations.filter((s) => isHead(s, part));
  const most = headsALine(g.width);
  const lines = Array.from({ length: Math.ceil(all.length / most) }, (_, i) =>
    all.slice(i * most, (i + 1) * most),
  );
  const heads = lines.flatMap((line, row) => {
    const wants = line.map((s, i) => spotOf(s, c, g) ?? (i + 0.5) * (HEAD_FIELD + 14));
    const edges = placeLabels(wants, HEAD_FIELD, 14, g.width);
    return line.map((station, i) => ({
      station,
      left: edges[i] ?? 0,
      top: row * HEAD,
      width: HEAD_FIELD,
      kind: 'head' as const,
    }));
  });
  return { heads, height: headsHeight(part, stations, g.width) };
}

/** Places the fields of each string on its row of the plan view: left and right gutters, and at their frets between. */
export function placeCells(
  part: SheetPart,
  stations: readonly StationView[],
  c: Construction,
  g: SheetGeometry,
  top: number,
): readonly Placed[] {
  if (part === 'frets') return placeFretMap(stations, c, g, top);
  const count = c.strings.length;
  const edge = stations.filter((s) => s.quantity === 'straightedge');
  return [
    ...placeEdge(edge, c, g, top),
    ...stations
      .filter((s) => !isHead(s, part) && s.quantity !== 'straightedge')
      .map((station) => {
        const index = count - station.string;
        const row = rowOfString(c, index);
        const column = index % c.perCourse;
        const y = top + row * ROW;
        const atLeft = station.quantity === 'nut-gap' || station.quantity === 'contact';
        const inside = part === 'nut' && station.quantity === 'intonation';
        // Two fields of a course at a fret leave their strings in sight between the frets.
        const paired = inside && c.perCourse > 1;
        const width = paired ? CELL - 2 : inside ? 58 : atLeft ? 66 : 60;
        const aside = (column - (c.perCourse - 1) / 2) * (width + 4);
        const left = inside
          ? g.x(fretAlong(c, acrossOf(c, index), station.fret)) - width / 2 + aside
          : atLeft
            ? 46 + FIELD * column
            : g.width - FIELD * (c.perCourse - column);
        return { station, left, top: y, width, kind: paired ? ('dense' as const) : ('cell' as const) };
      }),
  ];
}

/** Left edges of fields at frets, each as near to its fret as they allow, px. @param across 0 at the bass side, 1 at the treble */
const columnsAlong = (
  frets: readonly number[],
  c: Construction,
  g: SheetGeometry,
  across: number,
): number[] =>
  placeLabels(
    frets.map((n) => g.x(fretAlong(c, across, n))),
    CELL - 2,
    2,
    g.width,
  );

/** What is read under a straightedge, at its frets along the two edges of the board. */
function placeEdge(
  stations: readonly StationView[],
  c: Construction,
  g: SheetGeometry,
  top: number,
): readonly Placed[] {
  const frets = [...new Set(stations.map((s) => s.fret))];
  const BASS = 3;
  const edges = [0, 1].map((across) => columnsAlong(frets, c, g, across));
  return stations.map((station) => ({
    station,
    left: edges[station.string === BASS ? 0 : 1]?.[frets.indexOf(station.fret)] ?? 0,
    top: top + rowOfString(c, station.string === BASS ? 0 : c.strings.length - 1) * ROW,
    width: CELL - 2,
    kind: 'dense' as const,
  }));
}

/** The fret map: a column a fret as near to its fret as the fields allow, rows bass, middle, treble and the rocker. */
function placeFretMap(
  stations: readonly StationView[],
  c: Construction,
  g: SheetGeometry,
  top: number,
): readonly Placed[] {
  const frets = Array.from({ length: c.frets }, (_, i) => i + 1);
  // Bass, middle, treble and the rocker, which is read in the middle.
  const edges = [0, 0.5, 1, 0.5].map((across) => columnsAlong(frets, c, g, across));
  return stations
    .filter((s) => s.quantity === 'fret-height' || s.quantity === 'fret-rock')
    .map((station) => {
      const row = station.quantity === 'fret-rock' ? 3 : 3 - station.string;
      return {
        station,
        left: edges[row]?.[station.fret - 1] ?? 0,
        top: top + row * ROW,
        width: CELL - 2,
        kind: 'dense' as const,
      };
    });
}
