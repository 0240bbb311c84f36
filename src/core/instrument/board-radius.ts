import { fail, ok, type Result } from '../result.ts';
import { parseLength } from '../units/parse-length.ts';

/** How the fingerboard is rounded across: not at all, alike everywhere, or flatter toward the body. Radii in mm. */
export type BoardRadius =
  | { readonly kind: 'flat' }
  | { readonly kind: 'single'; readonly at: number }
  | { readonly kind: 'compound'; readonly nut: number; readonly end: number };

const LEAST = 100;
const MOST = 1500;

const inches = (mm: number): string => String(Number((mm / 25.4).toFixed(2)));

/** Says a radius as the bench does: `flat`, `12 in`, `10 to 16 in`. */
export function sayRadius(radius: BoardRadius): string {
  switch (radius.kind) {
    case 'flat':
      return 'flat';
    case 'single':
      return `${inches(radius.at)} in`;
    case 'compound':
      return `${inches(radius.nut)} to ${inches(radius.end)} in`;
  }
}

/**
 * Reads a radius as it is typed: `flat`, one length, or two with “to” or a dash between, nut first. A bare number under 40
 * is inches, as radii are always said; a longer one is mm. Kept to the micrometre.
 * @example readRadius('10 to 16 in') → { kind: 'compound', nut: 254, end: 406.4 }
 */
export function readRadius(text: string): Result<BoardRadius, string> {
  const typed = text.trim().toLowerCase();
  if (typed === 'flat') return ok({ kind: 'flat' });
  const unit = /(mm|in|"|″)$/.exec(typed)?.[1];
  const read: number[] = [];
  for (const part of typed.split(/\s*(?:to|–|-)\s*/)) {
    const bare = /^[\d.,]+$/.test(part);
    const length = parseLength(
      bare && unit ? `${part} ${unit}` : part,
      bare && Number.parseFloat(part) >= 40 ? 'mm' : 'in',
    );
    if (!length.ok) return fail('Write flat, a radius like 12 in, or two like 10 to 16 in.');
    if (length.value.mm < LEAST || length.value.mm > MOST)
      return fail(`${Math.round(length.value.mm)} mm is no fingerboard radius.`);
    read.push(Number(length.value.mm.toFixed(3)));
  }
  const [nut, end, more] = read;
  if (nut === undefined || more !== undefined)
    return fail('One radius, or two: at the nut and at the last fret.');
  return ok(end === undefined || end === nut ? { kind: 'single', at: nut } : { kind: 'compound', nut, end });
}
