import Papa from 'papaparse';
import type { OfferedKind } from '../../core/job/shop.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { readScales } from '../../core/instrument/read-scales.ts';
import { unguarded, type CustomerEntry } from './customers.ts';
import type { InstrumentEntry } from './instruments.ts';

/** What a column of somebody's own list may hold. */
export const SHEET_FIELDS = {
  name: 'Customer’s name',
  phone: 'Telephone',
  email: 'E-mail',
  maker: 'Maker',
  model: 'Model',
  serial: 'Serial number',
  year: 'Year',
  kind: 'Kind of instrument',
  scale: 'Scale',
} as const;
export type SheetField = keyof typeof SHEET_FIELDS;

/** A list as it stands in its file: its head, and its rows with their lines. */
export interface Sheet {
  readonly head: readonly string[];
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
}

/** Which column holds what, by its number; a field without one is not in the file. */
export type Columns = Readonly<Partial<Record<SheetField, number>>>;

/** A row that does not fit, and why. */
export interface WrongRow {
  readonly line: number;
  readonly why: string;
}

/** What a list comes to once its columns are known. */
export interface SheetContent {
  readonly customers: readonly CustomerEntry[];
  readonly instruments: readonly InstrumentEntry[];
  readonly wrong: readonly WrongRow[];
}

const MOST = 20_000;

/** A file's text, whichever way its letters were written: UTF-8, or what older spreadsheets write. */
export function decodeSheet(bytes: Uint8Array): string {
  const utf8 = new TextDecoder('utf-8').decode(bytes);
  return utf8.includes('\uFFFD') ? new TextDecoder('windows-1252').decode(bytes) : utf8;
}

/** Reads a list of any columns: commas, semicolons or tabs between them, the first line naming them. */
export function readSheet(text: string): Result<Sheet, string> {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  const [head = [], ...rest] = data;
  const named = head.map((h) => h.trim());
  if (named.filter((h) => h !== '').length < 1) return fail('Its first line names no columns.');
  const rows = rest
    .map((cells, i) => ({ line: i + 2, cells: cells.map((c) => unguarded(c.trim())) }))
    .filter((r) => r.cells.some((c) => c !== ''));
  if (rows.length === 0) return fail('There is no entry in it.');
  return rows.length > MOST ? fail(`It has more than ${MOST} entries.`) : ok({ head: named, rows });
}

/** What columns are usually called. */
const USUAL: Readonly<Record<SheetField, RegExp>> = {
  name: /^(?:customer|client|owner|name|full ?name|customer ?name|kunde|nom|nombre)$/i,
  phone: /phone|tel|mobile|cell/i,
  email: /mail/i,
  maker: /^(?:make|maker|brand|manufacturer)$/i,
  model: /^(?:model|instrument|guitar)$/i,
  serial: /serial|s\/n|^sn$/i,
  year: /^(?:year|date made|made)$/i,
  kind: /^(?:kind|type|category)$/i,
  scale: /scale/i,
};

/** Which column of a list of customers probably holds what. */
export const guessColumns = (head: readonly string[]): Columns => columnsBy(USUAL, head);

/** Which column probably holds what, by what it is called; each column at most once. */
export function columnsBy<F extends string>(
  usual: Readonly<Record<F, RegExp>>,
  head: readonly string[],
): Readonly<Partial<Record<F, number>>> {
  const taken = new Set<number>();
  const found: Partial<Record<F, number>> = {};
  for (const field of Object.keys(usual) as F[]) {
    const at = head.findIndex((h, i) => !taken.has(i) && usual[field].test(h));
    if (at < 0) continue;
    taken.add(at);
    found[field] = at;
  }
  return found;
}

const PHONE = /^[\d +()/.-]{0,40}$/;
const EMAIL = /^[^\s@]{1,64}@[^\s@]{1,95}$/;
const LIMITS: Readonly<Partial<Record<SheetField, number>>> = {
  name: 120,
  maker: 80,
  model: 120,
  serial: 60,
  year: 20,
};

/** What does not fit of a row's words, or null. */
function wrongWords(of: (field: SheetField) => string): string | null {
  const [name, phone, email] = [of('name'), of('phone'), of('email')];
  if (name === '') return 'there is no name of a customer';
  if (!PHONE.test(phone)) return `“${phone.slice(0, 40)}” is not a telephone number`;
  if (email !== '' && !EMAIL.test(email)) return `“${email.slice(0, 60)}” is not an e-mail address`;
  const long = (Object.keys(LIMITS) as SheetField[]).find((f) => of(f).length > (LIMITS[f] ?? 0));
  return long === undefined
    ? null
    : `${SHEET_FIELDS[long].toLowerCase()} is longer than ${LIMITS[long] ?? 0} characters`;
}

/** The kind a row's word means, by what the shop calls it; the usual one where the row says nothing. */
function kindOf(word: string, kinds: readonly OfferedKind[], usual: string): OfferedKind | null {
  const low = word.toLowerCase();
  if (low === '') return kinds.find((k) => k.id === usual) ?? null;
  return (
    kinds.find((k) => k.name.toLowerCase() === low || k.id === low) ??
    kinds.find((k) => k.name.toLowerCase().includes(low) || low.includes(k.name.toLowerCase())) ??
    null
  );
}

/** The instrument of a row: none where nothing is said of one, or why it does not fit. */
function instrumentOf(
  of: (field: SheetField) => string,
  kinds: readonly OfferedKind[],
  usual: string,
): Result<InstrumentEntry | null, string> {
  const [maker, model, serial, year] = [of('maker'), of('model'), of('serial'), of('year')];
  if (maker === '' && model === '' && serial === '') return ok(null);
  const kind = kindOf(of('kind'), kinds, usual);
  if (!kind) return fail(`“${of('kind')}” is no kind of instrument the shop knows`);
  const typed = of('scale');
  const scale = typed === '' ? ok({ scale: kind.usual.scale, fan: kind.usual.fan }) : readScales(typed);
  if (!scale.ok) return fail(`“${typed}” is no scale length`);
  return ok({
    customer: of('name'),
    kind: kind.id,
    maker,
    model: model === '' ? 'no name' : model,
    year,
    serial,
    construction: { ...kind.usual, fan: undefined, ...scale.value },
  });
}

/**
 * What a list comes to with its columns matched: customers, each once; their instruments as is usual for their kind; and every
 * row that does not fit, with why. Rows that fit are taken whatever the others are.
 * @param usual the kind of a row that names none
 */
export function sheetContent(
  sheet: Sheet,
  columns: Columns,
  kinds: readonly OfferedKind[],
  usual: string,
): SheetContent {
  const customers = new Map<string, CustomerEntry>();
  const instruments: InstrumentEntry[] = [];
  const wrong: WrongRow[] = [];
  for (const { line, cells } of sheet.rows) {
    const of = (field: SheetField): string => {
      const at = columns[field];
      return at === undefined ? '' : (cells[at] ?? '');
    };
    const instrument = instrumentOf(of, kinds, usual);
    const why = wrongWords(of) ?? (instrument.ok ? null : instrument.error);
    if (why !== null) {
      wrong.push({ line, why });
      continue;
    }
    const entry = { name: of('name'), phone: of('phone'), email: of('email') };
    const key = JSON.stringify([entry.name.toLowerCase(), entry.phone, entry.email.toLowerCase()]);
    // A customer stands in a row for each instrument: one entry, the fullest.
    if (!customers.has(key)) customers.set(key, entry);
    if (instrument.ok && instrument.value) instruments.push(instrument.value);
  }
  return { customers: [...customers.values()], instruments, wrong };
}
