import { formatLength } from './format-length.ts';
import type { DisplayUnit } from './length-units.ts';

const places = (mm: number, digits: number): string => {
  const size = Math.abs(mm).toFixed(digits);
  return `${mm < 0 && Number(size) !== 0 ? '\u2212' : ''}${size} mm`;
};

/**
 * A size within words that are kept and read in any unit, by {@link wordsIn}: what a feeler or a caliper shows. Three places of a
 * millimetre, so that words that nobody translates are as true.
 * @example sizeWords(0.5588) → '0.559 mm'
 */
export const sizeWords = (mm: number): string => places(mm, 3);

/**
 * A height within words that are kept, as a rule shows it: four places, which tells it from a size. Who reads 64ths reads it in
 * those.
 * @example heightWords(1.984375) → '1.9844 mm'
 */
export const heightWords = (mm: number): string => places(mm, 4);

/**
 * A change of a height within words that are kept: a height with what to set a caliper to beside it.
 * @example heightChangeWords(1.2) → '1.2000 mm (1.20 mm)'
 */
export const heightChangeWords = (mm: number): string => `${heightWords(mm)} (${formatLength(mm, 'mm')})`;

/** The same of every text within a value: for what is written out whole, as an answer in JSON. */
export function allWordsIn<T>(value: T, unit: DisplayUnit): T {
  const said = (v: unknown): unknown =>
    typeof v === 'string'
      ? wordsIn(v, unit)
      : Array.isArray(v)
        ? v.map(said)
        : typeof v === 'object' && v !== null
          ? Object.fromEntries(Object.entries(v).map(([key, x]) => [key, said(x)]))
          : v;
  return said(value) as T;
}

/** A band within words that are kept: `0.356 mm–0.508 mm`; one that begins under nothing in words. */
export const bandWords = (
  { low, high }: { readonly low: number; readonly high: number },
  say: (mm: number) => string,
): string => `${say(low)}${low < 0 ? ' to ' : '–'}${say(high)}`;

/** A size or a height as it is kept, with what stands beside a change of height. */
const KEPT = /(\u2212?)\b(\d+\.\d{3,4}) mm\b( \(\u2212?\d+\.\d{2} mm\))?/g;
const HEIGHT = /\.\d{4}$/;

/**
 * Words that were kept, as somebody reads them who reads heights in `unit`; everything else in them stays, and so does what a
 * person wrote in a unit of their own.
 * @example wordsIn('Bring it to 0.432 mm, the saddle 1.2000 mm (1.20 mm) down', '64ths') → 'Bring it to .017, the saddle 3/64 (1.20 mm) down'
 */
export function wordsIn(words: string, unit: DisplayUnit): string {
  const said = words.replace(KEPT, (_, sign: string, size: string, beside: string | undefined) => {
    const mm = sign === '' ? Number(size) : -Number(size);
    if (unit !== '64ths' || !HEIGHT.test(size)) return formatLength(mm, unit === 'mm' ? 'mm' : 'thou');
    return `${formatLength(mm, '64ths')}${beside ?? ''}`;
  });
  // A band says its unit once.
  return unit === 'mm' ? said.replace(/(\d) mm(?=–\d)/g, '$1') : said;
}
