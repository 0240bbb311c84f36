import { formatLength } from '../units/format-length.ts';
import { formatCents } from '../units/parse-cents.ts';
import { heightWords, sizeWords } from '../units/words-in.ts';
import { QUANTITY_FACTS, type Quantity } from './quantities.ts';

/**
 * A value of a quantity within words that are kept and read in any unit: the action as a height, what a feeler shows as a size.
 * What is read in millimetres everywhere, as the saddle is, stays in them.
 *
 * @param value mm, or cents
 * @example readingWords('relief', 0.25) → '0.250 mm'; readingWords('saddle-standout', 3.2) → '3.20 mm'
 */
export function readingWords(quantity: Quantity, value: number): string {
  const facts = QUANTITY_FACTS[quantity];
  if (facts.measure === 'cents') return `${formatCents(value)} cents`;
  if (quantity === 'action') return heightWords(value);
  return facts.unit === 'thou' ? sizeWords(value) : formatLength(value, 'mm');
}
