import type { Construction } from '../instrument/construction.ts';
import type { Reading } from '../readings/reading.ts';
import { edgeSpan, RELIEF_FRET } from '../readings/stations.ts';
import { topsByFret } from '../readings/fret-tops.ts';
import { fretPosition } from './fret-position.ts';
import { measuredNeck } from './measured-neck.ts';
import { reliefShare } from './relief.ts';
import { smoothThrough } from './smooth-through.ts';

type Read = Pick<Reading, 'quantity' | 'string' | 'fret' | 'value'>;

/**
 * How a neck's line of fret tops differs from an even bow, by fret and edge, mm: a hump or a rise in the wood, which no fret's own
 * height tells. Over the plane through the first and the last fret.
 */
export interface BoardShape {
  readonly bass: Float64Array;
  readonly treble: Float64Array;
  /** the bow as the straightedge tells it, by the reference way; null where it was told by the held string */
  readonly relief: number | null;
}

interface Point {
  readonly fret: number;
  readonly height: number;
}

/** Depth of an even bow at a fret, mm, for a relief read at the 7th between the first and the last. */
const bowAt = (c: Construction, relief: number, fret: number): number =>
  fret <= 1 || fret >= c.frets
    ? 0
    : (relief * reliefShare(c.scale, { low: 1, high: c.frets, at: fret })) /
      reliefShare(c.scale, { low: 1, high: c.frets, at: RELIEF_FRET });

const length = (c: Construction, low: number, high: number): number =>
  fretPosition(c.scale, high) - fretPosition(c.scale, low);

/** The deepest gap under the straightedge as the relief the reference way would read of the same bow, mm. */
function bowOf(c: Construction, deepest: number): number {
  const { low, high } = edgeSpan(c);
  const whole = deepest * (length(c, 1, c.frets) / length(c, low, high)) ** 2;
  return whole * reliefShare(c.scale, { low: 1, high: c.frets, at: RELIEF_FRET });
}

/** Heights over the line of a straightedge as heights over the plane through the first and the last fret. */
function overPlane(c: Construction, points: readonly Point[], last: number): readonly Point[] {
  const [p, q] = [fretPosition(c.scale, 1), fretPosition(c.scale, c.frets)];
  return points.map(({ fret, height }) => ({
    fret,
    height: height - (last * (fretPosition(c.scale, fret) - p)) / (q - p),
  }));
}

/** What lies off the bow at every fret, through what was read. */
function offBow(
  c: Construction,
  relief: number,
  points: readonly Point[],
  own: ReadonlyMap<number, number>,
): Float64Array {
  const known = points
    .map(({ fret, height }) => ({
      x: fretPosition(c.scale, fret),
      // What a fret itself stands over its neighbours is its own, not the wood's.
      y: height + bowAt(c, relief, fret) - (own.get(fret) ?? 0),
    }))
    .sort((a, b) => a.x - b.x);
  const at = smoothThrough(known);
  return Float64Array.from({ length: c.frets + 1 }, (_, n) => (n === 0 ? 0 : at(fretPosition(c.scale, n))));
}

/** The shape as a straightedge told it. */
function underEdge(c: Construction, readings: readonly Read[], relief: number | null): BoardShape | null {
  const neck = measuredNeck(c, readings);
  if (!neck) return null;
  const span = edgeSpan(c);
  const told = bowOf(c, neck.relief);
  const own = topsByFret(readings);
  const side = (edge: 'bass' | 'treble'): Float64Array => {
    const other = edge === 'bass' ? 'treble' : 'bass';
    const read = neck.surface.flatMap((s): Point[] => {
      const height = s[edge] ?? s[other];
      return height === null ? [] : [{ fret: s.fret, height }];
    });
    const resting = [span.low, span.high].map((fret): Point => ({ fret, height: own.get(fret) ?? 0 }));
    const all = [...read, ...resting];
    const last = all.find((s) => s.fret === c.frets)?.height ?? beyond(c, neck.relief);
    const ends = all.some((s) => s.fret === c.frets) ? all : [...all, { fret: c.frets, height: last }];
    return offBow(c, relief ?? told, overPlane(c, ends, last), own);
  };
  return { bass: side('bass'), treble: side('treble'), relief: told };
}

/** Where an even bow goes beyond the fret the line ends at, mm over the line, at the last fret. */
function beyond(c: Construction, depth: number): number {
  const { low, high } = edgeSpan(c);
  const [p, q, x] = [low, high, c.frets].map((n) => fretPosition(c.scale, n)) as [number, number, number];
  return (-4 * depth * (x - p) * (q - x)) / (q - p) ** 2;
}

const LEAST_HELD = 2;

/** The shape as the string held at its ends told it, where the gap was read at several frets. */
function underString(c: Construction, readings: readonly Read[], relief: number | null): BoardShape | null {
  const read = readings.filter((r) => r.quantity === 'relief' && r.fret > 1 && r.fret < c.frets);
  if (relief === null || new Set(read.map((r) => r.fret)).size < LEAST_HELD) return null;
  const points = [
    ...read.map((r): Point => ({ fret: r.fret, height: -r.value })),
    { fret: 1, height: 0 },
    { fret: c.frets, height: 0 },
  ];
  const both = offBow(c, relief, points, topsByFret(readings));
  return { bass: both, treble: both, relief: null };
}

/**
 * How a neck's fret tops lie off an even bow, from a straightedge laid along both edges, else from a held string read at two frets
 * or more; null where only its relief is known.
 * @param c scale, frets and the fret at the body joint
 * @param readings those that may be used, in the reference ways, mm
 * @param relief as it was read at the 7th between the first and the last fret, mm; null where it was not
 */
export const boardShape = (
  c: Construction,
  readings: readonly Read[],
  relief: number | null,
): BoardShape | null => underEdge(c, readings, relief) ?? underString(c, readings, relief);
