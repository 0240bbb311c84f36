import { fretPosition } from '../neck/fret-position.ts';
import type { Cents, Mm } from '../units/unit-types.ts';

/**
 * How far the saddle's contact moves away from the nut to cure a pitch error at a fret, exactly:
 * m = (x_s − ρ(x_s − x_n))/(ρ − 1) with ρ = 2^(−e/1200)·x_s/(x_s − x_n). Sharp → move back (positive).
 * @param scale mm
 * @param fret where it was read against the open string
 * @param cents error, sharp positive
 * @returns mm
 * @example saddleMove(648, 12, 1) → 0.375 mm
 */
export function saddleMove(scale: Mm, fret: number, cents: Cents, compensation: Mm = 0): Mm {
  const xs = scale + compensation;
  const xn = fretPosition(scale, fret);
  if (!(xn > 0) || xn >= xs) throw new RangeError('read between the nut and the saddle');
  const rho = 2 ** (-cents / 1200) * (xs / (xs - xn));
  if (rho <= 1) throw new RangeError('an error this large is not intonation');
  return (xs - rho * (xs - xn)) / (rho - 1);
}
