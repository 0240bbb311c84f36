import { fretPosition } from './fret-position.ts';
import type { Mm } from '../units/unit-types.ts';

/** How relief is read: the two pressed frets and the fret where the gap is read. */
export interface ReliefMethod {
  readonly low: number;
  readonly high: number;
  readonly at: number;
}

/**
 * Share of the greatest gap that is seen at fret `at` on an evenly bent neck: 4(x_k − x_p)(x_q − x_k)/(x_q − x_p)².
 * @returns a number from 0 to 1
 * @example reliefShare(648, { low: 1, high: 14, at: 6 }) is a little under 1
 */
export function reliefShare(scale: Mm, { low, high, at }: ReliefMethod): number {
  const [p, q, k] = [low, high, at].map((f) => fretPosition(scale, f)) as [number, number, number];
  if (!(p < q) || k < p || k > q) throw new RangeError('read between the two pressed frets');
  return (4 * (k - p) * (q - k)) / (q - p) ** 2;
}

/**
 * Turns relief read by one method into what another would show, with the same curvature: the greatest gap grows with
 * the square of the pressed span.
 * @param value relief in mm as read by `from`
 * @returns `value` by `to`, and the greatest gap `max` over `to`'s span, mm
 */
export function convertRelief(scale: Mm, value: Mm, from: ReliefMethod, to: ReliefMethod) {
  const seen = reliefShare(scale, from);
  if (seen === 0) throw new RangeError('nothing can be read at a pressed fret');
  const span = (m: ReliefMethod) => fretPosition(scale, m.high) - fretPosition(scale, m.low);
  const max = (value / seen) * (span(to) / span(from)) ** 2;
  return { value: max * reliefShare(scale, to), max };
}
