import { fretPosition } from '../neck/fret-position.ts';
import { highestPlaneUnder, planeAt, type Place } from './lowest-hull.ts';

/** The three places across a fret. */
export const ACROSS = ['bass', 'middle', 'treble'] as const;
export type Across = (typeof ACROSS)[number];

/** A fret's tops over a common plane at three places, and the fret's height left: alike, or place by place. mm */
export interface FretTops {
  readonly fret: number;
  readonly bass: number;
  readonly middle: number;
  readonly treble: number;
  readonly height: number | Readonly<Record<Across, number>>;
}

/** A fret's height at a place, mm. */
export const heightAt = ({ height }: Pick<FretTops, 'height'>, place: Across): number =>
  typeof height === 'number' ? height : height[place];

/** A fret's height where it is lowest, mm. */
export const leastHeight = (f: Pick<FretTops, 'height'>): number =>
  Math.min(...ACROSS.map((z) => heightAt(f, z)));

/** A fret's height over its three places, mm. */
export const meanHeight = (f: Pick<FretTops, 'height'>): number =>
  ACROSS.reduce((sum, z) => sum + heightAt(f, z), 0) / ACROSS.length;

/** The board falls away past a fret, in a straight line, to an amount in mm at the last fret. */
export interface FallAway {
  readonly from: number;
  readonly amount: number;
}

export interface LevelledFret {
  readonly fret: number;
  /** mm off the top */
  readonly removal: Readonly<Record<Across, number>>;
  /** the least over the places of the height there less what comes off there, mm */
  readonly left: number;
}

export interface FretLevel {
  readonly frets: readonly LevelledFret[];
  /** places that stand more than 0.02 mm over the level surface */
  readonly spots: ReadonlyArray<{ readonly fret: number; readonly place: Across; readonly over: number }>;
  readonly underMinimum: readonly number[];
  /** sum of all removals, mm: the least any plane allows */
  readonly total: number;
  /** mean removal at the fret nearest the 12th, mm: the action rises by about this */
  readonly actionRise: number;
}

const Z: Readonly<Record<Across, number>> = { bass: -1, middle: 0, treble: 1 };
/** What a feeler hardly shows, mm. */
export const SPOT = 0.02;

/** How far the surface lies under its plane at a place along the neck, mm. */
function fallAt(scale: number, last: number, fall: FallAway | undefined, x: number): number {
  if (!fall) return 0;
  const [from, end] = [fretPosition(scale, fall.from), fretPosition(scale, last)];
  return x <= from || end <= from ? 0 : (fall.amount * (x - from)) / (end - from);
}

/**
 * Takes every fret down to the highest level surface that stands over none of them: a plane along and across the neck,
 * lowered past the fall-away. The sum of what comes off is the least possible, exactly.
 * @param scale mm
 * @param frets tops at three places and the height left, mm
 * @param minimumHeight frets that end lower are named
 */
export function fretLevel(
  scale: number,
  frets: readonly FretTops[],
  minimumHeight: number,
  fallAway?: FallAway,
): FretLevel {
  const last = Math.max(...frets.map((f) => f.fret));
  const fall = (fret: number) => fallAt(scale, last, fallAway, fretPosition(scale, fret));
  const places: Place[] = frets.flatMap((f) =>
    ACROSS.map((z) => ({ x: fretPosition(scale, f.fret), z: Z[z], top: f[z] + fall(f.fret) })),
  );
  const plane = highestPlaneUnder(places);
  return removedDownTo(frets, minimumHeight, (f, z) =>
    Math.max(0, f[z] + fall(f.fret) - planeAt(plane, { x: fretPosition(scale, f.fret), z: Z[z] })),
  );
}

/** Sums up what comes off, by any rule of how much at a place. */
export function removedDownTo(
  frets: readonly FretTops[],
  minimumHeight: number,
  off: (fret: FretTops, place: Across) => number,
): FretLevel {
  const levelled = frets.map((f) => {
    const removal = { bass: off(f, 'bass'), middle: off(f, 'middle'), treble: off(f, 'treble') };
    return { fret: f.fret, removal, left: Math.min(...ACROSS.map((z) => heightAt(f, z) - removal[z])) };
  });
  const sum = (r: Readonly<Record<Across, number>>) => r.bass + r.middle + r.treble;
  const near12 = levelled.reduce<LevelledFret | null>(
    (best, f) => (best === null || Math.abs(f.fret - 12) < Math.abs(best.fret - 12) ? f : best),
    null,
  );
  return {
    frets: levelled,
    spots: levelled.flatMap((f) =>
      ACROSS.filter((z) => f.removal[z] > SPOT).map((z) => ({ fret: f.fret, place: z, over: f.removal[z] })),
    ),
    underMinimum: levelled.filter((f) => f.left < minimumHeight).map((f) => f.fret),
    total: levelled.reduce((s, f) => s + sum(f.removal), 0),
    actionRise: near12 === null ? 0 : sum(near12.removal) / 3,
  };
}
