import { arcOver, type Radius } from '../saddle/saddle-top.ts';
import { checkLine, HAIR, label, line, MARGIN, THIN, type Drawing, type Shape } from './drawing.ts';

/** The saddle blank beyond the outer strings, mm. */
const SHOULDER = 6;
const STEPS = 80;
const LEAST_WIDTH = 100;

/** What the top is drawn from: the arc, the distance of the outer strings, and the heights of the strings. mm */
export interface SaddleTopLines {
  readonly radius: Radius;
  readonly spacing: number;
  readonly bass: number;
  readonly treble: number;
  readonly heights: readonly number[];
}

/** The saddle's top at true size over its base line, with the place and height of each string. */
export function saddleTemplate(s: SaddleTopLines): Drawing {
  const highest = Math.max(...s.heights, s.bass, s.treble);
  const base = MARGIN + 10 + highest;
  const middle = MARGIN + SHOULDER + s.spacing / 2;
  const half = s.spacing / 2;
  const reach = s.radius === 'flat' ? half + SHOULDER : Math.min(half + SHOULDER, s.radius);
  const heightAt = (u: number) =>
    s.bass + (s.treble - s.bass) * (u / s.spacing + 0.5) + arcOver(s.radius, half, u);
  const points = Array.from({ length: STEPS + 1 }, (_, i) => {
    const u = -reach + (2 * reach * i) / STEPS;
    return [middle + u, base - Math.max(0, heightAt(u))] as const;
  });
  const strings = s.heights.flatMap((h, i): Shape[] => {
    const share = s.heights.length === 1 ? 0.5 : i / (s.heights.length - 1);
    const x = middle - half + share * s.spacing;
    return [line(x, base, x, base - h, THIN), label(x, base + 4, h.toFixed(2), 'middle', 2.4)];
  });
  return {
    title: 'Saddle top, true size',
    width: Math.max(2 * (half + SHOULDER), LEAST_WIDTH) + 2 * MARGIN,
    height: base + 22,
    shapes: [
      label(MARGIN, MARGIN, 'Saddle top, bass side left. Figures: mm over the base line.'),
      line(middle - reach, base, middle + reach, base, HAIR),
      { kind: 'path', points, weight: HAIR },
      ...strings,
      ...checkLine(MARGIN, base + 11),
    ],
  };
}
