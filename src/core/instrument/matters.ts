/** For what an instrument matters to whom it belongs, as they say it at the counter. */
export const MATTERS = {
  price: 'its price',
  history: 'its history',
  both: 'both',
  neither: 'neither',
} as const;
export type Matters = keyof typeof MATTERS;
export const MATTERS_NAMES = Object.keys(MATTERS) as [Matters, ...Matters[]];

/** Whether its history counts: then money is no measure of what may be done, and what it was made of stays. */
export const countsHistory = (matters: Matters | null | undefined): boolean =>
  matters === 'history' || matters === 'both';

/**
 * For what it matters, in words; nothing where nobody said, or it does for neither.
 * @example sayMatters('both') → 'matters for its price and its history'
 */
export function sayMatters(matters: Matters | null | undefined): string {
  if (!matters || matters === 'neither') return '';
  return `matters for ${matters === 'both' ? 'its price and its history' : MATTERS[matters]}`;
}

/** What is asked for before a plan where its price matters: what it is worth decides what may be done to it. */
export const askedOfWorth = (matters: Matters | null | undefined, worth: number | null): readonly string[] =>
  (matters === 'price' || matters === 'both') && worth === null
    ? ['It matters for its price, and nobody said what it is worth: that decides what may be done to it.']
    : [];
