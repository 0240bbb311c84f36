import ICAL from 'ical.js';
import Papa from 'papaparse';
import { fail, ok, type Result } from '../../core/result.ts';

/** A customer as the files carry one. */
export interface CustomerEntry {
  readonly name: string;
  readonly phone: string;
  readonly email: string;
}

const COLUMNS = ['name', 'phone', 'email'] as const;
const MOST = 20_000;

/** Text a spreadsheet would take for a formula gets a quote before it, and loses it again when it is read. */
const FORMULA = /^[\s\u200b]*[=+\-@\uff1d\uff0b\uff0d\uff20]|^[\t\r\n]/;
export const guarded = (text: string): string =>
  (FORMULA.test(text) && !/^-\d+(\.\d+)?$/.test(text)) || text.startsWith("'") ? `'${text}` : text;
export const unguarded = (text: string): string => (text.startsWith("'") ? text.slice(1) : text);

/** Writes rows as CSV (RFC 4180), with a head. */
export const csv = (columns: readonly string[], rows: readonly (readonly string[])[]): string =>
  `${Papa.unparse({ fields: [...columns], data: rows.map((r) => r.map(guarded)) }, { newline: '\r\n' })}\r\n`;

/** Reads CSV with a head of known columns, in any order; says the line of what is damaged. */
export function readCsv(
  text: string,
  columns: readonly string[],
  optional: readonly string[] = [],
): Result<Record<string, string>[], string> {
  const read = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim().toLowerCase(),
  });
  const missing = columns.filter((c) => !(read.meta.fields ?? []).includes(c));
  if (missing.length > 0)
    return fail(`The first line names no column ${missing.map((m) => `“${m}”`).join(', ')}.`);
  const [wrong] = read.errors;
  if (wrong)
    return fail(
      `Line ${(wrong.row ?? 0) + (wrong.type === 'Quotes' ? 1 : 2)}: it has ${wrong.code === 'MissingQuotes' ? 'a quotation mark that does not close' : 'more or fewer fields than the first line'}.`,
    );
  if (read.data.length === 0) return fail('There is no entry in it.');
  if (read.data.length > MOST) return fail(`It has more than ${MOST} entries.`);
  return ok(
    read.data.map((row) =>
      Object.fromEntries([...columns, ...optional].map((c) => [c, unguarded((row[c] ?? '').trim())])),
    ),
  );
}

function checked(
  all: readonly CustomerEntry[],
  where: (i: number) => string,
): Result<CustomerEntry[], string> {
  for (const [i, { name, phone, email }] of all.entries()) {
    if (name === '') return fail(`${where(i)}: there is no name.`);
    if (name.length > 120) return fail(`${where(i)}: the name is longer than 120 characters.`);
    if (!/^[\d +()/.-]{0,40}$/.test(phone))
      return fail(`${where(i)}: “${phone.slice(0, 40)}” is not a telephone number.`);
    if (email !== '' && !/^[^\s@]{1,64}@[^\s@]{1,95}$/.test(email))
      return fail(`${where(i)}: “${email.slice(0, 60)}” is not an e-mail address.`);
  }
  return ok([...all]);
}

/** Customers as vCards (version 4.0, RFC 6350). */
export const toVcards = (customers: readonly CustomerEntry[]): string =>
  customers
    .map(({ name, phone, email }) => {
      const card = new ICAL.Component(['vcard', [], []]);
      card.addPropertyWithValue('version', '4.0');
      card.addPropertyWithValue('fn', name);
      if (phone !== '') card.addPropertyWithValue('tel', phone);
      if (email !== '') card.addPropertyWithValue('email', email);
      return `${card.toString()}\r\n`;
    })
    .join('');

type Jcard = readonly [
  name: string,
  properties: ReadonlyArray<readonly [string, unknown, string, ...unknown[]]>,
];

function entryOf([, properties]: Jcard): CustomerEntry {
  const first = (name: string): unknown => properties.find(([n]) => n === name)?.[3];
  const text = (value: unknown): string => (typeof value === 'string' ? value.trim() : '');
  const parts = first('n');
  const named = Array.isArray(parts) ? [parts[1], parts[0]].map(text).filter(Boolean).join(' ') : '';
  return {
    name: text(first('fn')) || named,
    phone: text(first('tel')).replace(/^tel:/i, ''),
    email: text(first('email')).replace(/^mailto:/i, ''),
  };
}

/** Reads vCards of any version: name, first telephone, first e-mail; what else they carry is left alone. */
export function readVcards(text: string): Result<CustomerEntry[], string> {
  let cards: unknown;
  try {
    cards = ICAL.parse(text.replace(/^\uFEFF/, ''));
  } catch (e) {
    return fail(
      `This is no file of vCards: ${e instanceof Error ? e.message.slice(0, 120) : 'it cannot be read'}.`,
    );
  }
  const list = (Array.isArray(cards) && typeof cards[0] === 'string' ? [cards] : cards) as Jcard[];
  if (list.length === 0 || list.some(([n]) => n !== 'vcard')) return fail('This is no file of vCards.');
  if (list.length > MOST) return fail(`It has more than ${MOST} entries.`);
  return checked(list.map(entryOf), (i) => `Card ${i + 1}`);
}

/** Customers as CSV. */
export const toCustomersCsv = (customers: readonly CustomerEntry[]): string =>
  csv(
    COLUMNS,
    customers.map((c) => COLUMNS.map((k) => c[k])),
  );

/** Reads customers from CSV with the columns name, phone, email. */
export function readCustomersCsv(text: string): Result<CustomerEntry[], string> {
  const rows = readCsv(text, COLUMNS);
  if (!rows.ok) return rows;
  const all = rows.value.map((r) => ({
    name: r['name'] ?? '',
    phone: r['phone'] ?? '',
    email: r['email'] ?? '',
  }));
  return checked(all, (i) => `Line ${i + 2}`);
}
