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
const NUMBER = String.raw`[+\-\u2212]?\s*(?:\d+(?:[.,]\d+)?|[.,]\d+)`;
/** `5-6`, `5–6½`, `.006–.010`, `5/64-6/64`: two ends with a dash between. `1-3/8` is one and three eighths. */
const DASHED = new RegExp(
  String.raw`^(${NUMBER}(?:\s*[½¼¾])?(?:/\d+)?)\s*[-\u2013]\s*((?:\d+(?:[.,]\d+)?|[.,]\d+)?(?:\s*[½¼¾])?(?:/\d+)?(?:\s*[a-z"″]+\.?)?)$`,
  'i',
);
const MIXED = /^\s*(\d+)\s*-\s*(\d+)\/(\d+)/;
const MOST = 20;

/** The two ends of a text with a dash, or null where it is one number. */
function dashed(text: string): readonly [string, string] | null {
  const m = DASHED.exec(text);
  if (!m?.[1] || !m[2]) return null;
  const mixed = MIXED.exec(text);
  // A whole number and a part of an inch, unless both count 64ths or 32nds: `5-6/64` goes from 5 to 6 of them.
  if (mixed) {
    const [whole, over, under] = mixed.slice(1).map(Number);
    if (under === undefined || over === undefined || whole === undefined) return null;
    if (under < 32 || over <= whole) return null;
  }
  return [m[1].trim(), m[2].trim()];
}

/**
 * Tells the forms of an entry apart: `between 5 and 6`, `5 to 6`, `5..6`, `5-6`; `4.0; 4.2; 4.1`; `just clicks`. A unit said only
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
  const ends = dashed(clean);
  if (ends) return { kind: 'range', parts: [withUnitOf(ends[0], ends[1]), ends[1]] };
  return { kind: 'plain' };
}

/** `5` of `5 to 6 thou` is 5 thou. */
function withUnitOf(first: string, second: string): string {
  if (!/^[+\-\u2212]?\s*[\d.,]+\s*[½¼¾]?$/.test(first)) return first;
  const unit = /^[+\-\u2212]?\s*[\d.,½¼¾]+(\s*[a-z"″/].*)$/i.exec(second)?.[1];
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
