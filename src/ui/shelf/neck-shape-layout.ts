import type { NeckProfile } from '../../core/neck/neck-profile.ts';
import { fretPosition } from '../../core/neck/fret-position.ts';

/** A neck's shape as it is drawn over another: one polyline a side, with its points. */
export interface DrawnShape {
  readonly side: 'bass' | 'treble';
  readonly points: ReadonlyArray<{ readonly fret: number; readonly x: number; readonly y: number }>;
}

/** Where two shapes are drawn on one scale. */
export interface ShapeDrawing {
  readonly a: readonly DrawnShape[];
  readonly b: readonly DrawnShape[];
  /** the height of the line the straightedge lies on */
  readonly line: number;
  /** the frets that were read at either, with where they stand */
  readonly frets: ReadonlyArray<{ readonly fret: number; readonly x: number }>;
  /** how many times heights are enlarged against lengths */
  readonly enlarged: number;
}

const MARGIN = 40;
const SIDES = ['bass', 'treble'] as const;
/** Heights below that are drawn no larger, mm: what differs by less is the gauge's. */
const LEAST_SPAN = 0.2;

/**
 * Lays two measured necks over each other: one x axis after the scale, one enlarged height, fret tops over the line upwards.
 * @param scale mm
 * @param a, b as measured; null where a round did not measure it
 */
export function drawShapes(
  scale: number,
  a: NeckProfile | null,
  b: NeckProfile | null,
  { width, height }: { readonly width: number; readonly height: number },
): ShapeDrawing {
  const surface = [...(a?.surface ?? []), ...(b?.surface ?? [])];
  const frets = [...new Set(surface.map((s) => s.fret))].sort((x, y) => x - y);
  const heights = surface.flatMap((s) => [s.bass, s.treble]).filter((h) => h !== null);
  const [low, high] = [Math.min(0, ...heights), Math.max(0, ...heights)];
  const span = Math.max(LEAST_SPAN, high - low);
  const [from, to] = [fretPosition(scale, frets[0] ?? 0), fretPosition(scale, frets.at(-1) ?? 1)];
  const perMm = (width - 2 * MARGIN) / Math.max(1, to - from);
  const tall = (height - 2 * MARGIN) / span;
  const x = (fret: number): number => MARGIN + (fretPosition(scale, fret) - from) * perMm;
  const y = (h: number): number => MARGIN + (Math.max(high, low + span) - h) * tall;
  const shape = (p: NeckProfile | null): readonly DrawnShape[] =>
    SIDES.flatMap((side): DrawnShape[] => {
      const points = (p?.surface ?? []).flatMap((s) => {
        const h = s[side];
        return h === null ? [] : [{ fret: s.fret, x: x(s.fret), y: y(h) }];
      });
      return points.length === 0 ? [] : [{ side, points }];
    });
  return {
    a: shape(a),
    b: shape(b),
    line: y(0),
    frets: frets.map((fret) => ({ fret, x: x(fret) })),
    enlarged: Math.round(tall / perMm),
  };
}
