import type { Say } from '../../core/sums/sum.ts';
import { formatLength } from '../../core/units/format-length.ts';
import type { LengthUnit } from '../../core/units/length-units.ts';
import { formatCents } from '../../core/units/parse-cents.ts';

const SMALL_MM = 0.75;
const LARGE_MM = 80;
/** From here on nobody counts 64ths: half an inch. */
const COUNTED_MM = 12.7;

/** Millimetres with as many places as the bench can read. */
function sayMm(mm: number): string {
  const text = mm.toFixed(Math.abs(mm) < 1 ? 3 : 2);
  return `${Number(text) === 0 ? '0' : text} mm`.replace('-', '\u2212');
}

const isCounted = (unit: LengthUnit): boolean => unit === '64ths' || unit === '32nds';

function sayIn(mm: number, unit: LengthUnit): string {
  const size = Math.abs(mm);
  if (unit === 'in' || size >= LARGE_MM) return formatLength(mm, 'in');
  if (unit === 'thou') return size < 25.4 ? formatLength(mm, 'thou') : formatLength(mm, 'in');
  return size < SMALL_MM ? formatLength(mm, 'thou') : formatLength(mm, unit);
}

/** How results are said when the reader works in a unit: always with the millimetres beside it. */
export const sayFor = (unit: LengthUnit): Say => ({
  length: (mm) =>
    unit === 'mm' || Math.abs(mm) >= (isCounted(unit) ? COUNTED_MM : LARGE_MM)
      ? sayMm(mm)
      : `${sayIn(mm, unit)} (${sayMm(mm)})`,
  cents: formatCents,
});

const PLACES: Readonly<Record<string, readonly [number, string]>> = {
  N: [1, ' N'],
  Hz: [2, ' Hz'],
  degrees: [2, '°'],
  'kg/m': [6, ' kg/m'],
  share: [2, ''],
  count: [3, ''],
};

/** Says a result by its unit. */
export function sayResult(value: unknown, unit: string, say: Say): string {
  if (value === null) return 'none';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value !== 'number') return String(value);
  if (unit === 'mm') return say.length(value);
  if (unit === 'cents') return `${say.cents(value)} c`;
  if (unit === 'fret' || unit === 'eighths of a turn') return String(value).replace('-', '\u2212');
  const [places, suffix] = PLACES[unit] ?? [4, ''];
  return `${Number(value.toFixed(places))}${suffix}`.replace('-', '\u2212');
}
