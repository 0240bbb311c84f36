import type { Construction } from '../instrument/construction.ts';
import { measuredNeck } from '../neck/measured-neck.ts';
import { fretHeightsAt } from '../readings/fret-tops.ts';
import type { Reading } from '../readings/reading.ts';
import type { Station } from '../readings/stations.ts';
import { verdict, type Target } from '../targets/target.ts';
import { formatLength } from '../units/format-length.ts';

/** Something a reading found on an item of the inspection, by the finding's name there. */
export interface ReadFinding {
  readonly item: string;
  readonly finding: string;
  /** the numbers */
  readonly note: string;
}

/** From how much on a shape of the neck is a fault, mm; and the least metal a fret must keep. */
export interface ShapeLimits {
  readonly rise: number;
  readonly hump: number;
  readonly twist: number;
  readonly fretHeight: number;
}

/** What ships. */
export const USUAL_SHAPE_LIMITS: ShapeLimits = { rise: 0.1, hump: 0.1, twist: 0.15, fretHeight: 0.6 };

const mm = (v: number): string => formatLength(Math.abs(v), 'mm');

/** A rise at the far end: taken down in the frets where they have the metal, else warmed out. */
function riseOf(by: number, how: string, over: readonly number[], limits: ShapeLimits): ReadFinding[] {
  if (by < limits.rise) return [];
  const left = over.length === 0 ? null : Math.min(...over) - by;
  const note = `${mm(by)} ${how}`;
  if (left === null || left >= limits.fretHeight) return [{ item: 'far-end', finding: 'rise', note }];
  const why = `${note}; the frets there would end at ${mm(left)}, under ${mm(limits.fretHeight)}`;
  return [{ item: 'far-end', finding: 'lifted', note: why }];
}

/** What the straightedge tells of a neck's shape, and where it was not laid on, the fall-away at the last fret. */
function shapeFound(
  c: Construction,
  readings: readonly Reading[],
  limits: ShapeLimits,
): readonly ReadFinding[] {
  const heights = (from: number) =>
    [...fretHeightsAt(readings)].flatMap(([fret, least]) => (fret >= from ? [least] : []));
  const neck = measuredNeck(c, readings);
  if (neck === null) {
    const away = readings.find((r) => r.quantity === 'fall-away')?.value ?? 0;
    return riseOf(-away, `over the straightedge at fret ${c.frets}`, heights(c.bodyFret), limits);
  }
  const from = neck.riseFrom ?? c.bodyFret;
  return [
    ...riseOf(neck.rise, `over the straightedge from fret ${from} on`, heights(from), limits),
    ...(neck.humpAt !== null && neck.hump >= limits.hump
      ? [{ item: 'sight', finding: 'hump', note: `${mm(neck.hump)} over an even bow at fret ${neck.humpAt}` }]
      : []),
    ...(Math.abs(neck.twist) >= limits.twist
      ? [
          {
            item: 'twist',
            finding: 'twisted',
            note: `the ${neck.twist > 0 ? 'bass' : 'treble'} side is ${mm(neck.twist)} deeper than the other`,
          },
        ]
      : []),
  ];
}

interface Out {
  readonly station: Station;
  readonly value: number;
  readonly high: boolean;
}

/** The places of a quantity that stand out of their band by more than their gauge tells. */
function outOf(
  quantity: Reading['quantity'],
  stations: readonly Station[],
  readings: readonly Reading[],
  targetOf: (s: Station) => Target | null,
): Out[] {
  return stations.flatMap((station) => {
    const reading = readings.find((r) => r.key === station.key);
    const band = station.quantity === quantity && reading ? targetOf(station) : null;
    if (!reading || !band) return [];
    const says = verdict(reading.value, band, reading.uncertainty ?? 0);
    return says === 'high' || says === 'low'
      ? [{ station, value: reading.value, high: says === 'high' }]
      : [];
  });
}

/**
 * What readings find that the plan's own sums do not move: the shape of the neck, pickups too near or too far, a vibrato that
 * floats too high or too low. Each is a finding of its item, with its numbers.
 * @param readings those that may be used, as the sums want them
 * @param stations every place this instrument can be read at
 * @param targetOf the band of a place, mm; null where nothing is aimed at
 */
export function foundByReading(
  c: Construction,
  readings: readonly Reading[],
  stations: readonly Station[],
  targetOf: (s: Station) => Target | null,
  limits: ShapeLimits = USUAL_SHAPE_LIMITS,
): readonly ReadFinding[] {
  const pickups = outOf('pickup-height', stations, readings, targetOf);
  const float = outOf('vibrato-float', stations, readings, targetOf);
  return [
    ...shapeFound(c, readings, limits),
    ...(pickups.length === 0
      ? []
      : [
          {
            item: 'pickup-height',
            finding: pickups.every((p) => p.high) ? 'far' : pickups.some((p) => p.high) ? 'out' : 'near',
            note: pickups.map((p) => `${p.station.label.toLowerCase()} ${mm(p.value)}`).join(', '),
          },
        ]),
    ...float.map((f) => ({
      item: 'vibrato-float',
      finding: f.high ? 'high' : 'low',
      note: `it floats ${f.value.toFixed(1)} mm`,
    })),
  ];
}
