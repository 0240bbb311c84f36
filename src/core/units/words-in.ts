import { formatLength } from './format-length.ts';
import type { LengthUnit } from './length-units.ts';

/** A length as `formatLength` says it in mm: two places, no more and no less. What is said in whole mm, as a scale is, is not one. */
const IN_MM = /([−-]?)\b(\d+\.\d{2}) mm\b/g;

/**
 * Words that hold lengths in mm, as they are said in another unit; everything else in them stays.
 * @example wordsIn('The neck bent 0.25 mm; scale 648 mm', 'thou') → 'The neck bent .010; scale 648 mm'
 */
export const wordsIn = (words: string, unit: LengthUnit): string =>
  unit === 'mm'
    ? words
    : words.replace(IN_MM, (_, sign: string, mm: string) => `${sign}${formatLength(Number(mm), unit)}`);
