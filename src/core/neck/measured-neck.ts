import type { Construction } from '../instrument/construction.ts';
import type { Reading } from '../readings/reading.ts';
import { edgeSpan } from '../readings/stations.ts';
import { neckProfile, type NeckProfile } from './neck-profile.ts';

/** Fewer places under the line say nothing of the neck's shape. */
const LEAST_PLACES = 3;

/** The number of a place across the board that stands for the bass side. */
const BASS = 3;

/**
 * The shape of a neck as the straightedge told it, mm; null where it was read at too few places.
 * @param c scale, frets and the fret at the body joint, where the edge lies
 * @param readings those that may be used
 */
export function measuredNeck(
  c: Construction,
  readings: readonly Pick<Reading, 'quantity' | 'string' | 'fret' | 'value'>[],
): NeckProfile | null {
  const points = readings
    .filter((r) => r.quantity === 'straightedge')
    .map((r) => ({
      fret: r.fret,
      gap: r.value,
      side: r.string === BASS ? ('bass' as const) : ('treble' as const),
    }));
  const span = edgeSpan(c);
  const under = new Set(points.map((p) => p.fret).filter((n) => n > span.low && n < span.high));
  return under.size < LEAST_PLACES ? null : neckProfile(c.scale, points, span);
}
