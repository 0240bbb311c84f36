import { readEntry } from '../../core/readings/entry.ts';
import { QUANTITIES, QUANTITY_FACTS, type Measure, type Quantity } from '../../core/readings/quantities.ts';
import { isRoundKind, type RoundKind } from '../../core/readings/rounds.ts';
import { stationKey } from '../../core/readings/stations.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { csv, readCsv } from './customers.ts';

/** A reading as the file carries one: its place, its value in the unit of its column, the text as typed. */
export interface ReadingEntry {
  readonly round: RoundKind;
  readonly quantity: Quantity;
  readonly string: number;
  readonly fret: number;
  readonly value: number;
  readonly typed: string;
  readonly unit: string;
  readonly method: string;
  readonly gauge: string;
  readonly uncertainty: number | null;
  readonly by: string;
  readonly takenAt: string;
  readonly notRepresentative: string | null;
}

/** The column of each kind of number; the unit stands in the header. */
const VALUE_COLUMNS: Readonly<Record<Measure, string>> = {
  length: 'length (mm)',
  cents: 'pitch error (cents)',
  degrees: 'angle (deg)',
  kilohms: 'resistance (kohm)',
};
const MEASURES = Object.keys(VALUE_COLUMNS) as Measure[];
const SUFFIX: Readonly<Record<Measure, string>> = { length: ' mm', cents: '', degrees: '', kilohms: '' };

const COLUMNS = [
  'round',
  'quantity',
  'string',
  'fret',
  ...MEASURES.map((m) => VALUE_COLUMNS[m]),
  'typed',
  'unit typed',
  'method',
  'gauge',
  'standard uncertainty',
  'taken by',
  'taken at (UTC)',
  'not used because',
] as const;

const MOST_PLACES = 6;
const number = (n: number): string => String(Number(n.toFixed(MOST_PLACES)));

/** Readings as CSV (RFC 4180), one line each, every value in the column of its unit. */
export const toReadingsCsv = (all: readonly ReadingEntry[]): string =>
  csv(
    COLUMNS,
    all.map((r) => [
      r.round,
      r.quantity,
      String(r.string),
      String(r.fret),
      ...MEASURES.map((m) => (QUANTITY_FACTS[r.quantity].measure === m ? number(r.value) : '')),
      r.typed,
      r.unit,
      r.method,
      r.gauge,
      r.uncertainty === null ? '' : number(r.uncertainty),
      r.by,
      r.takenAt,
      r.notRepresentative ?? '',
    ]),
  );

/** A reading to be written at its place, as one would type it. */
export interface ReadingToWrite {
  readonly round: RoundKind;
  readonly key: string;
  readonly typed: string;
}

const isQuantity = (text: string): text is Quantity => (QUANTITIES as readonly string[]).includes(text);

function rowIn(row: Readonly<Record<string, string>>): ReadingToWrite | string {
  const [round, quantity] = [row['round'] ?? '', row['quantity'] ?? ''];
  if (!isRoundKind(round)) return `“${round}” is no round: as-found, after-work, as-left`;
  if (!isQuantity(quantity)) return `“${quantity}” is not read here`;
  const [string, fret] = [row['string'] ?? '', row['fret'] ?? ''];
  if (!/^\d{1,2}$/.test(string) || !/^\d{1,2}$/.test(fret)) return 'string and fret are whole numbers';
  const { measure } = QUANTITY_FACTS[quantity];
  const value = (row[VALUE_COLUMNS[measure]] ?? '').trim();
  if (value === '') return `nothing stands under “${VALUE_COLUMNS[measure]}”`;
  const typed = `${value}${SUFFIX[measure]}`;
  const read = readEntry(typed, quantity, 'mm');
  if (!read.ok) return read.error.message;
  return { round, key: stationKey(quantity, Number(string), Number(fret)), typed };
}

/**
 * Reads readings out of a CSV as {@link toReadingsCsv} writes it: what can be written, or the first line that cannot be
 * read with the reason.
 */
export function readReadingsCsv(text: string): Result<readonly ReadingToWrite[], string> {
  const rows = readCsv(text, [
    'round',
    'quantity',
    'string',
    'fret',
    ...MEASURES.map((m) => VALUE_COLUMNS[m]),
  ]);
  if (!rows.ok) return rows;
  const found: ReadingToWrite[] = [];
  for (const [i, row] of rows.value.entries()) {
    const read = rowIn(row);
    if (typeof read === 'string') return fail(`Line ${i + 2}: ${read}.`);
    found.push(read);
  }
  return found.length === 0 ? fail('There are no readings in this file.') : ok(found);
}
