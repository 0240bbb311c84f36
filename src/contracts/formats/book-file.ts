import type { Result } from '../../core/result.ts';
import { readCustomersCsv, readVcards, type CustomerEntry } from './customers.ts';
import { readInstrumentsCsv, type InstrumentEntry } from './instruments.ts';

/** What a file of the book holds. */
export type BookFile =
  | { readonly what: 'customers'; readonly entries: readonly CustomerEntry[] }
  | { readonly what: 'instruments'; readonly entries: readonly InstrumentEntry[] };

/** Reads a file of the book by what stands in it. */
export function readBookFile(text: string): Result<BookFile, string> {
  if (/^\uFEFF?\s*BEGIN:/i.test(text)) {
    const cards = readVcards(text);
    return cards.ok ? { ok: true, value: { what: 'customers', entries: cards.value } } : cards;
  }
  if (/^[^\n]*\bscale_mm\b/i.test(text)) {
    const rows = readInstrumentsCsv(text);
    return rows.ok ? { ok: true, value: { what: 'instruments', entries: rows.value } } : rows;
  }
  const rows = readCustomersCsv(text);
  return rows.ok ? { ok: true, value: { what: 'customers', entries: rows.value } } : rows;
}
