import type { Spread } from './gauge.ts';

/** How a feeling is said where no gauge goes between, and the gap it stands for, mm. A shop setting. */
export interface Feeling {
  readonly says: string;
  readonly low: number;
  readonly high: number;
}

/** Usual meanings of what a tapped string tells, mm; the shop sets its own. */
export const USUAL_FEELINGS: readonly Feeling[] = [
  { says: 'touches', low: 0, high: 0.02 },
  { says: 'just clicks', low: 0.02, high: 0.1 },
  { says: 'clear gap', low: 0.1, high: 0.3 },
];

/** What a text holds: one number as it stands, a range's two ends, several readings of one place, or a feeling. */
export type EntryForm =
  | { readonly kind: 'plain' }
  | { readonly kind: 'range'; readonly parts: readonly [string, string] }
  | { readonly kind: 'repeated'; readonly parts: readonly string[] }
  | { readonly kind: 'feeling'; readonly feeling: Feeling };

const RANGES = [/^between\s+(.+?)\s+and\s+(.+)$/i, /^(.+?)\s+to\s+(.+)$/i, /^(.+?)\s*\.\.\s*(.+)$/];
const MOST = 20;

/**
 * Tells the forms of an entry apart: `between 5 and 6`, `5 to 6`, `5..6`; `4.0; 4.2; 4.1`; `just clicks`. A unit said only
 * at the end of a range belongs to both ends.
 */
export function entryForm(text: string, feelings: readonly Feeling[] = USUAL_FEELINGS): EntryForm {
  const clean = text.trim();
  const felt = feelings.find((f) => f.says === clean.toLowerCase().replace(/\s+/g, ' '));
  if (felt) return { kind: 'feeling', feeling: felt };
  const parts = clean.split(';').map((p) => p.trim());
  if (parts.length > 1) return { kind: 'repeated', parts: parts.filter((p) => p !== '').slice(0, MOST) };
  for (const form of RANGES) {
    const m = form.exec(clean);
    if (m?.[1] && m[2]) return { kind: 'range', parts: [withUnitOf(m[1], m[2]), m[2]] };
  }
  return { kind: 'plain' };
}

/** `5` of `5 to 6 thou` is 5 thou. */
function withUnitOf(first: string, second: string): string {
  if (!/^[+-]?[\d.,]+$/.test(first)) return first;
  const unit = /^[+-]?[\d.,]+(\s*[a-z"″/].*)$/i.exec(second)?.[1];
  return unit === undefined ? first : `${first}${unit}`;
}

/** Mean of a range's ends or of repeated readings, with its spread. */
export function summed(kind: Spread['kind'], values: readonly number[]): { value: number; spread: Spread } {
  const value = values.reduce((a, b) => a + b, 0) / values.length;
  if (kind === 'range') {
    const size = (Math.max(...values) - Math.min(...values)) / 2;
    return { value, spread: { kind, size, of: 1 } };
  }
  const squares = values.reduce((a, v) => a + (v - value) ** 2, 0);
  const size = values.length < 2 ? 0 : Math.sqrt(squares / (values.length - 1));
  return { value, spread: { kind, size, of: values.length } };
}
