import { fail, ok, type Result } from '../result.ts';
import { BARE, bareUnit } from '../units/bare-unit.ts';
import { formatLength } from '../units/format-length.ts';
import { LENGTH_UNITS, type LengthUnit } from '../units/length-units.ts';
import { formatCents, parseCents } from '../units/parse-cents.ts';
import { parseLength } from '../units/parse-length.ts';
import { entryForm, summed, type Feeling } from './entry-forms.ts';
import type { Spread } from './gauge.ts';
import { QUANTITY_FACTS, type Quantity } from './quantities.ts';

/** Another way to read what was typed. `text` typed instead would mean it. */
export interface OtherReading {
  readonly text: string;
  readonly value: number;
  readonly says: string;
}

/** A question to the tech, never a block. */
export interface EntryQuestion {
  readonly code:
    | 'outside-plausible'
    | 'other-unit'
    | 'take-back'
    | 'impossible'
    | 'half-or-double'
    | 'ten-times'
    | 'sides-swapped'
    | 'odd-one-out'
    | 'too-soon';
  readonly message: string;
  readonly others: readonly OtherReading[];
}

export type EntryUnit = LengthUnit | 'cents' | 'deg' | 'kohm';

/** A typed reading, understood: mm, cents, degrees or kΩ by quantity, and what Rubrica would ask about it. */
export interface EntryReading {
  readonly value: number;
  readonly unit: EntryUnit;
  readonly says: string;
  readonly spread: Spread | null;
  readonly question: EntryQuestion | null;
}

export interface EntryError {
  readonly code: 'empty' | 'not-a-length' | 'ambiguous' | 'not-cents' | 'not-a-number';
  readonly message: string;
}

interface One {
  readonly value: number;
  readonly unit: EntryUnit;
}

const within = (value: number, [low, high]: readonly [number, number]): boolean =>
  value >= low && value <= high;

const SUFFIX: Readonly<Record<LengthUnit, string>> = {
  mm: ' mm',
  in: ' in',
  thou: ' thou',
  '64ths': '/64',
  '32nds': '/32',
};

/** What a bare number would mean in each other unit where that makes sense of it. */
export function otherWays(text: string, quantity: Quantity, read: EntryUnit): OtherReading[] {
  const bare = text.trim();
  if (!BARE.test(bare)) return [];
  const seen: OtherReading[] = [];
  for (const unit of LENGTH_UNITS.filter((u) => u !== read)) {
    const as = `${bare}${SUFFIX[unit]}`;
    const parsed = parseLength(as);
    if (!parsed.ok || !within(parsed.value.mm, QUANTITY_FACTS[quantity].plausible)) continue;
    seen.push({ text: as, value: parsed.value.mm, says: `${as} = ${formatLength(parsed.value.mm, 'mm')}` });
  }
  return seen;
}

const NUMBERS = {
  degrees: { form: /^([+-]?\d+(?:[.,]\d+)?)\s*(?:°|deg(?:rees?)?)?$/i, unit: 'deg', name: 'degrees like 14' },
  kilohms: { form: /^(\d+(?:[.,]\d+)?)\s*(?:k|kΩ|kohms?)?$/i, unit: 'kohm', name: 'kiloohms like 7.4' },
} as const;

function readOne(text: string, quantity: Quantity, unit: LengthUnit): Result<One, EntryError> {
  const { measure } = QUANTITY_FACTS[quantity];
  if (measure === 'cents') {
    const read = parseCents(text);
    return read.ok ? ok({ value: read.value, unit: 'cents' }) : fail(read.error);
  }
  if (measure === 'length') {
    const read = parseLength(text, bareUnit(text, unit));
    return read.ok
      ? ok({ value: read.value.mm, unit: read.value.unit })
      : fail({ code: read.error.code, message: read.error.message });
  }
  if (text.trim() === '') return fail({ code: 'empty', message: 'Nothing is written here yet.' });
  const { form, unit: as, name } = NUMBERS[measure];
  const m = form.exec(text.trim().replace(/[\u2212\u2013]/g, '-'));
  if (!m) return fail({ code: 'not-a-number', message: `“${text.trim()}” cannot be read. Write ${name}.` });
  return ok({ value: Number((m[1] ?? '').replace(',', '.')), unit: as });
}

function readAll(
  text: string,
  quantity: Quantity,
  unit: LengthUnit,
  feelings?: readonly Feeling[],
): Result<One & { readonly spread: Spread | null }, EntryError> {
  const form = entryForm(text, feelings);
  if (form.kind === 'plain') {
    const one = readOne(text, quantity, unit);
    return one.ok ? ok({ ...one.value, spread: null }) : one;
  }
  if (form.kind === 'feeling') {
    if (quantity !== 'relief' && quantity !== 'nut-gap') {
      return fail({
        code: 'not-a-length',
        message: `“${text.trim()}” is said of relief and nut gaps; here a number is wanted.`,
      });
    }
    return ok({ ...summed('range', [form.feeling.low, form.feeling.high]), unit: 'mm' });
  }
  const parts: One[] = [];
  for (const part of form.parts) {
    const one = readOne(part, quantity, unit);
    if (!one.ok) return one;
    parts.push(one.value);
  }
  const [first] = parts;
  if (!first) return fail({ code: 'empty', message: 'Nothing is written here yet.' });
  return ok({
    ...summed(
      form.kind,
      parts.map((p) => p.value),
    ),
    unit: first.unit,
  });
}

/**
 * What was typed, with the unit of its bare numbers written out, so that it means the same in any field.
 * @param unit the field's unit when it was typed
 * @example withUnits('5 to 6', 'action', '64ths') → '5/64 to 6/64'
 */
export function withUnits(text: string, quantity: Quantity, unit: LengthUnit): string {
  if (QUANTITY_FACTS[quantity].measure !== 'length') return text;
  const form = entryForm(text, []);
  const one = (part: string): string => {
    if (/[a-z"″'’′”]/i.test(part) || /\/(?:16|32|64|128)\s*$/.test(part)) return part;
    const read = parseLength(part, bareUnit(part, unit));
    return read.ok ? `${part.trim()}${SUFFIX[read.value.unit]}` : part;
  };
  switch (form.kind) {
    case 'range':
      return form.parts.map(one).join(' to ');
    case 'repeated':
      return form.parts.map(one).join('; ');
    default:
      return one(text);
  }
}

/** Says a value of a quantity with its unit, lengths in the unit asked for. */
export function sayEntry(value: number, quantity: Quantity, unit: LengthUnit): string {
  switch (QUANTITY_FACTS[quantity].measure) {
    case 'length':
      return formatLength(value, unit);
    case 'cents':
      return `${formatCents(value)} c`;
    case 'degrees':
      return `${Math.round(value * 10) / 10}°`;
    case 'kilohms':
      return `${Math.round(value * 100) / 100} kΩ`;
  }
}

function question(text: string, quantity: Quantity, value: number, unit: EntryUnit): EntryQuestion | null {
  const facts = QUANTITY_FACTS[quantity];
  if (within(value, facts.plausible)) return null;
  const code = 'outside-plausible' as const;
  if (facts.measure === 'cents') {
    const message = `${formatCents(value)} cents is nearly another note. Was the right string played?`;
    return { code, message, others: [] };
  }
  const says =
    facts.measure === 'length'
      ? `${formatLength(value, 'mm')} (${formatLength(value, '64ths')})`
      : sayEntry(value, quantity, 'mm');
  const message = `${says} would be an unusual ${facts.name.toLowerCase()}. What did the gauge say?`;
  return { code, message, others: facts.measure === 'length' ? otherWays(text, quantity, unit) : [] };
}

function readBack(
  quantity: Quantity,
  { value, unit, spread }: One & { readonly spread: Spread | null },
  field: LengthUnit,
): string {
  const shown = sayEntry(value, quantity, unit === 'mm' ? field : 'mm');
  if (spread === null) return shown;
  const by = sayEntry(spread.size, quantity, unit === 'mm' ? field : 'mm').replace(/^\+/, '');
  return spread.kind === 'range'
    ? `about ${shown}, give or take ${by}`
    : `mean ${shown} of ${spread.of}, spread ${by}`;
}

/**
 * Reads what a tech typed at a station: the value in mm or cents, how it reads back, and a question when it only makes
 * sense in another unit. Ranges, repeated readings and feelings are read too ({@link entryForm}).
 * @param unit the field's unit for a bare number
 * @example readEntry('.078', 'action', 'mm') asks whether .078 in = 1.98 mm was meant
 * @example readEntry('between 5 and 6', 'action', '64ths') is 5½/64, give or take half of one
 */
export function readEntry(
  text: string,
  quantity: Quantity,
  unit: LengthUnit,
  feelings?: readonly Feeling[],
): Result<EntryReading, EntryError> {
  const read = readAll(text, quantity, unit, feelings);
  if (!read.ok) return read;
  return ok({
    ...read.value,
    says: readBack(quantity, read.value, unit),
    question: question(text, quantity, read.value.value, read.value.unit),
  });
}
