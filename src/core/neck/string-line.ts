import { fretPosition } from './fret-position.ts';
import type { Mm } from '../units/unit-types.ts';

/** A string's height over a fret's top, in mm; `fretTop` is that fret's height over the plane (negative in a dip). */
export interface LinePoint {
  readonly fret: number;
  readonly height: Mm;
  readonly fretTop?: number;
}

/** The open string over the fret plane: heights in mm at the nut's edge and at the saddle. */
export interface StringLine {
  readonly nut: Mm;
  readonly saddle: Mm;
  readonly heightAt: (fret: number, fretTop?: number) => number;
}

/**
 * The open string's line through two readings: a_n = N + (S − N)·x_n/x_s − y_n.
 * @param scale scale length in mm
 * @param points two readings at different frets (fret 0 is the nut)
 * @param compensation what the saddle stands behind the scale, mm
 * @throws RangeError when both points stand at the same fret
 * @example through (0, 0.5) and (12, 2.0) on 648 mm: saddle 3.5
 */
export function stringLine(
  scale: Mm,
  points: readonly [LinePoint, LinePoint],
  compensation: Mm = 0,
): StringLine {
  const xs = scale + compensation;
  const share = points.map((p) => fretPosition(scale, p.fret) / xs);
  const height = points.map((p) => p.height + (p.fretTop ?? 0));
  const [t1 = 0, t2 = 0] = share;
  const [h1 = 0, h2 = 0] = height;
  if (t1 === t2) throw new RangeError('the two readings must stand at different frets');
  const slope = (h2 - h1) / (t2 - t1);
  const nut = h1 - slope * t1;
  return {
    nut,
    saddle: nut + slope,
    heightAt: (fret, fretTop = 0) => nut + (slope * fretPosition(scale, fret)) / xs - fretTop,
  };
}
