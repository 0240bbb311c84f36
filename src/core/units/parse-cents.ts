import { fail, ok, type Result } from '../result.ts';
import { cents, type Cents } from './brand.ts';

export type CentsError = { readonly code: 'empty' | 'not-cents'; readonly message: string };

/**
 * Reads a pitch error in cents, sharp positive: `+3`, `-2`, `−1,5`, `4 c`, `3 cents`, `2 flat`, `2 sharp`.
 * @example parseCents('2 flat') → −2
 */
export function parseCents(text: string): Result<Cents, CentsError> {
  const clean = text
    .trim()
    .toLowerCase()
    .replace(/[\u2212\u2013]/g, '-');
  if (clean === '') return fail({ code: 'empty', message: 'Nothing is written here yet.' });
  const m = /^([+-]?)\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*(?:c|ct|cents?)?\s*(sharp|flat)?$/.exec(clean);
  if (!m || (m[1] !== '' && m[3] !== undefined)) {
    return fail({
      code: 'not-cents',
      message: `“${text.trim()}” is not a pitch error. Write cents like +3 or −2.`,
    });
  }
  const size = Number((m[2] ?? '').replace(',', '.'));
  const value = m[1] === '-' || m[3] === 'flat' ? -size : size;
  return ok(cents(value === 0 ? 0 : value));
}

/** Says cents with their sign: `+3`, `−2`, `0`. */
export function formatCents(value: number): string {
  const rounded = Math.round(value * 10) / 10;
  return rounded > 0 ? `+${rounded}` : rounded < 0 ? `\u2212${-rounded}` : '0';
}
