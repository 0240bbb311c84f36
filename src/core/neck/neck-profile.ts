import { fretPosition } from './fret-position.ts';
import type { Mm } from '../units/unit-types.ts';

/** A gap read between a straight line over the frets and a fret's top, mm; negative where the fret stands over the line. */
export interface ProfilePoint {
  readonly fret: number;
  readonly gap: Mm;
  readonly side: 'bass' | 'treble';
}

/** The frets the line lies on. */
export interface Span {
  readonly low: number;
  readonly high: number;
}

export interface NeckProfile {
  /** fret tops over the line, mm, place by place; null where a side was not read */
  readonly surface: ReadonlyArray<{
    readonly fret: number;
    readonly bass: number | null;
    readonly treble: number | null;
  }>;
  /** the deepest gap of an even bow between the ends of the line, mean of the sides, mm; negative is a back-bow */
  readonly relief: Mm;
  /** how far the place that stands most over that bow stands over it, mm, and its fret */
  readonly hump: Mm;
  readonly humpAt: number | null;
  /** how far the far end rises over what the bow says there, mm, and from which fret; negative falls away */
  readonly rise: Mm;
  readonly riseFrom: number | null;
  /** relief of the bass side less that of the treble side, mm */
  readonly twist: Mm;
}

/** From this share of the board's read length on, a height belongs to the far end. */
const FAR_END = 0.75;

interface Placed {
  readonly fret: number;
  readonly x: number;
  readonly height: number;
}

/** An even bow between the ends of the line: 1 at its deepest, 0 at the ends, carried on beyond them. */
const bow = (x: number, p: number, q: number): number => (4 * (x - p) * (q - x)) / (q - p) ** 2;

/** The depth of the even bow that fits one side's places best, mm; null where nothing was read inside the line. */
function depthOf(places: readonly Placed[], p: number, q: number): number | null {
  const inside = places.filter((s) => s.x > p && s.x < q);
  const weight = inside.reduce((sum, s) => sum + bow(s.x, p, q) ** 2, 0);
  if (weight === 0) return null;
  return -inside.reduce((sum, s) => sum + bow(s.x, p, q) * s.height, 0) / weight;
}

/** Places that belong to the bow itself: a hump or a rise would bend the fit, so the one that fits least is left out in turn. */
function evenDepth(places: readonly Placed[], p: number, q: number): number | null {
  const tries = [places, ...places.map((out) => places.filter((s) => s !== out))];
  let best: { readonly depth: number; readonly off: number } | null = null;
  for (const some of tries) {
    const depth = depthOf(some, p, q);
    if (depth === null) continue;
    const errors = some
      .filter((s) => s.x > p && s.x < q)
      .map((s) => Math.abs(s.height + depth * bow(s.x, p, q)));
    const off = errors.reduce((sum, e) => sum + e, 0) / Math.max(1, errors.length);
    if (best === null || off < best.off - 1e-12) best = { depth, off };
    // With only three places none can be spared.
    if (places.length < 4) break;
  }
  return best?.depth ?? null;
}

/**
 * What a straightedge or a held string tells of a neck: an even bow, a hump on it, a rise or fall at the far end, and how the
 * two sides differ. Lengths in mm.
 * @param scale mm
 * @param points gaps at frets, on either side
 * @param span the frets the line lies on
 * @throws RangeError when nothing was read between the ends of the line
 * @example gaps of 0.2 at frets 5, 7 and 9 under a line from 1 to 14 → relief about 0.2, no hump, no rise
 */
export function neckProfile(scale: Mm, points: readonly ProfilePoint[], span: Span): NeckProfile {
  const [p, q] = [fretPosition(scale, span.low), fretPosition(scale, span.high)];
  const placed = (side: ProfilePoint['side']): Placed[] =>
    points
      .filter((s) => s.side === side)
      .map((s) => ({ fret: s.fret, x: fretPosition(scale, s.fret), height: -s.gap }))
      .sort((a, b) => a.fret - b.fret);
  const sides = [placed('bass'), placed('treble')] as const;
  const last = Math.max(...points.map((s) => fretPosition(scale, s.fret)), q);
  const far = p + FAR_END * (last - p);
  const depths = sides.map(
    (s) =>
      evenDepth(
        s.filter((place) => place.x < Math.min(far, q)),
        p,
        q,
      ) ?? depthOf(s, p, q),
  );
  const known = depths.filter((d): d is number => d !== null);
  if (known.length === 0) throw new RangeError('nothing was read between the ends of the line');
  const relief = known.reduce((sum, d) => sum + d, 0) / known.length;
  const over = sides.flatMap((side, i) =>
    side.map((s) => ({ ...s, over: s.height + (depths[i] ?? relief) * bow(s.x, p, q) })),
  );
  const near = over.filter((s) => s.x < Math.min(far, q) && s.x > p);
  const hump = near.reduce<(typeof near)[number] | null>(
    (b, s) => (b === null || s.over > b.over ? s : b),
    null,
  );
  // Beyond the line an even bow would only go on falling: what stands over the line itself is the rise.
  const end = sides
    .flatMap((side) => side)
    .filter((s) => s.x >= far)
    .map((s) => ({ ...s, over: s.x >= q ? s.height : s.height + relief * bow(s.x, p, q) }));
  const rise = end.reduce<(typeof end)[number] | null>(
    (b, s) => (b === null || Math.abs(s.over) > Math.abs(b.over) ? s : b),
    null,
  );
  const frets = [...new Set(points.map((s) => s.fret))].sort((a, b) => a - b);
  const at = (i: 0 | 1, fret: number): number | null => sides[i].find((s) => s.fret === fret)?.height ?? null;
  const [bass, treble] = depths;
  return {
    surface: frets.map((fret) => ({ fret, bass: at(0, fret), treble: at(1, fret) })),
    relief,
    hump: Math.max(0, hump?.over ?? 0),
    humpAt: hump !== null && hump.over > 0 ? hump.fret : null,
    rise: rise?.over ?? 0,
    riseFrom: rise === null || rise.over === 0 ? null : (end[0]?.fret ?? null),
    twist: bass == null || treble == null ? 0 : bass - treble,
  };
}
