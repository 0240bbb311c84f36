import type { Construction } from '../instrument/construction.ts';
import type { StringFact } from '../instrument/construction-facts.ts';
import { acrossOf, stringNumber } from '../instrument/construction.ts';
import { boardShape, type BoardShape } from '../neck/board-shape.ts';
import { LIES_ON, nutSlot } from '../nut/nut-slot.ts';
import { fretTopsOver } from '../readings/fret-tops.ts';
import type { Reading } from '../readings/reading.ts';
import { RELIEF_FRET, stationKey } from '../readings/stations.ts';
import { pulls } from '../strings/string-pull.ts';
import type { Target } from '../targets/target.ts';

/** Slot height per gap over fret 1 held at the third. */
export const PER_GAP = nutSlot(LIES_ON, 0, 0).perGap;

/** A neck as it was read, in the shop's reference ways. mm, cents, N; arrays run from the lowest string. */
export interface NeckModel {
  readonly construction: Construction;
  readonly relief: number;
  /** height of each string over the fret plane at the nut */
  readonly nut: Float64Array;
  /** open string over the 12th fret */
  readonly action: Float64Array;
  /** fretted 12th against the open string; null where it was not read */
  readonly cents: ReadonlyArray<number | null>;
  /** where each string leaves the saddle, from its front edge; null where it was not read */
  readonly contact: ReadonlyArray<number | null>;
  /** how far fret tops stand over an even bow, by their own heights and by the measured neck's shape; index is the fret */
  readonly tops: Float64Array;
  readonly standout: number | null;
  /** degrees behind the saddle */
  readonly breakAngle: number | null;
  readonly bridge: number | null;
  readonly slotDepth: number | null;
  readonly saddleThickness: number | null;
  /** the fret plane over the bridge's top, at the saddle */
  readonly plane: number | null;
  readonly pull: Float64Array;
  /** the strings that are on */
  readonly strings: readonly StringFact[];
  /** what was not read and is taken to stand at its aim, in words */
  readonly assumed: readonly string[];
}

/** What a model is made from: readings in the reference ways that may be used, by key. */
export interface ModelSource {
  readonly construction: Construction;
  readonly readings: ReadonlyMap<string, Pick<Reading, 'value' | 'quantity' | 'string' | 'fret'>>;
  /** keys whose reading is stale: not used */
  readonly stale: ReadonlySet<string>;
  readonly targets: ReadonlyMap<string, Target>;
  /** the set and tuning that is on, where it differs from the instrument's own */
  readonly set?: readonly StringFact[] | undefined;
  readonly pitch?: number | undefined;
}

const USUAL_GAP = 0.1;
const RELIEF = stationKey('relief', 0, RELIEF_FRET);

const meanOf = (shape: BoardShape | null, n: number): number =>
  shape ? ((shape.bass[n] ?? 0) + (shape.treble[n] ?? 0)) / 2 : 0;

/** Heights between two outer strings follow the board's arc: over their own frets they go in a straight line. */
function between(low: number, high: number, c: Construction): Float64Array {
  return Float64Array.from(c.strings, (_, i) => low + (high - low) * acrossOf(c, i));
}

/**
 * The neck as a thing to try things on. Null where neither side's action was read: without it no string can be drawn.
 */
export function neckModel(source: ModelSource): NeckModel | null {
  const { construction: c, readings, stale, targets } = source;
  const read = (key: string): number | null => (stale.has(key) ? null : (readings.get(key)?.value ?? null));
  const count = c.strings.length;
  const number = (i: number) => stringNumber(c, i);
  const assumed: string[] = [];
  const aimed = (key: string, usual: number, says: string): number => {
    const value = read(key);
    if (value !== null) return value;
    assumed.push(says);
    return targets.get(key)?.aim ?? usual;
  };
  const outer = [count, 1].map((n) => read(stationKey('action', n, 12)));
  if (outer[0] === null && outer[1] === null) return null;
  const bass = outer[0] ?? outer[1] ?? 0;
  const treble = outer[1] ?? outer[0] ?? 0;
  if (outer.includes(null)) assumed.push('action of the other side');
  const action = between(bass, treble, c).map((a, i) => read(stationKey('action', number(i), 12)) ?? a);
  const before = assumed.length;
  const nut = Float64Array.from(
    c.strings,
    (_, i) => aimed(stationKey('nut-gap', number(i), 1), USUAL_GAP, 'nut gaps') * PER_GAP,
  );
  assumed.splice(before, Math.max(0, assumed.length - before - 1));
  const used = [...readings].filter(([key]) => !stale.has(key)).map(([, r]) => r);
  const shape = boardShape(c, used, read(RELIEF));
  const relief = shape?.relief != null && read(RELIEF) === null ? shape.relief : aimed(RELIEF, 0.2, 'relief');
  return {
    construction: c,
    relief,
    nut,
    action,
    cents: c.strings.map((_, i) => read(stationKey('intonation', number(i), 12))),
    contact: c.strings.map((_, i) => read(stationKey('contact', number(i), 0))),
    tops: fretTopsOver(c.frets, used).map((t, n) => t + meanOf(shape, n)),
    standout: read(stationKey('saddle-standout', 0, 0)),
    breakAngle: read(stationKey('break-angle', 0, 0)),
    bridge: read(stationKey('bridge-thickness', 0, 0)),
    slotDepth: read(stationKey('slot-depth', 0, 0)),
    saddleThickness: read(stationKey('saddle-thickness', 0, 0)),
    plane: read(stationKey('neck-angle', 0, 0)),
    pull: pulls(c, source.set ?? c.strings, source.pitch),
    strings: source.set ?? c.strings,
    assumed,
  };
}
