import { z } from 'zod';
import { formatLength } from '../units/format-length.ts';
import { fromMm, LENGTH_UNITS, toMm } from '../units/length-units.ts';
import { parseLength } from '../units/parse-length.ts';
import { choice, group, result } from './fields.ts';
import { answer, declare, refuse } from './sum.ts';

/** Lengths under this are said in thousandths; over it in 64ths up to a few inches, then in mm. */
const SMALL_MM = 0.75;
const LARGE_MM = 80;

/**
 * The way a tech says a length: small ones in thousandths, others to the nearest 64th and a half, long ones in mm.
 * @example usualLabel(1.984375) → '5/64'; usualLabel(2.1) → '5½/64'
 */
export function usualLabel(mm: number): string {
  const size = Math.abs(mm);
  if (size < SMALL_MM || size >= LARGE_MM) return formatLength(mm, size < SMALL_MM ? 'thou' : 'mm');
  return formatLength(toMm(Math.round(fromMm(mm, '64ths') * 2) / 2, '64ths'), '64ths');
}

export const lengthSum = declare({
  id: 'length',
  title: 'Read a length in any unit',
  asks: ['convert a length', 'inches to millimetres', '64ths', 'thousandths', 'fractions'],
  input: group({
    text: z
      .string({ error: (i) => (i.input === undefined ? 'is missing' : 'must be text') })
      .max(60, { error: 'is too long for a length' })
      .meta({ description: 'the length as it is written: 5/64, .078, 8 thou, 2,1 mm, 1 3/8"' }),
    unit: choice('unit of a bare number', LENGTH_UNITS).optional(),
  }),
  output: group({
    mm: result('mm', 'the length'),
    in: z.number().meta({ description: 'in inches' }),
    thou: z.number().meta({ description: 'in thousandths of an inch' }),
    sixtyFourths: z.number().meta({ description: 'in 64ths of an inch' }),
    label: z.string().meta({ description: 'the usual way to say it' }),
  }),
  formula: '1 in = 25.4 mm exactly; 1 thou = 0.0254 mm; 1/64 in = 0.396875 mm',
  source: 'The international inch of 1959.',
  assumptions: [
    'A plain fraction of 2, 4, 8 … 128 is of an inch.',
    'A bare number needs the unit of its field; without one it is refused, with the ways it could be read.',
  ],
  why: 'One table holds all units, so nothing is rounded on the way through another one.',
  example: { text: '5/64' },
  run: ({ text, unit }) => {
    const read = parseLength(text, unit);
    if (!read.ok) return refuse('text', read.error.message, 'invalid');
    const { mm } = read.value;
    return answer({
      mm,
      in: fromMm(mm, 'in'),
      thou: fromMm(mm, 'thou'),
      sixtyFourths: fromMm(mm, '64ths'),
      label: usualLabel(mm),
    });
  },
  words: (_, o) => [
    `${o.label}: ${o.mm.toFixed(3)} mm, ${o.in.toFixed(4)} in, ${o.thou.toFixed(1)} thou, ${o.sixtyFourths.toFixed(2)}/64.`,
  ],
});
