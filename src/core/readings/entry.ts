import { fail, ok, type Result } from '../result.ts';
import { bareUnit } from '../units/bare-unit.ts';
import { formatLength } from '../units/format-length.ts';
import { LENGTH_UNITS, type LengthUnit } from '../units/length-units.ts';
import { formatCents, parseCents } from '../units/parse-cents.ts';
import { parseLength } from '../units/parse-length.ts';
import { QUANTITY_FACTS, type Quantity } from './quantities.ts';

/** Another way to read what was typed. `text` typed instead would mean it. */
export interface OtherReading {
  readonly text: string;
  readonly value: number;
  readonly says: string;
}

/** A question to the tech, never a block. */
export interface EntryQuestion {
  readonly code: 'outside-plausible' | 'far-from-target';
  readonly message: string;
  readonly others: readonly OtherReading[];
}

/** A typed reading, understood: mm or cents by quantity, and what Rubrica would ask about it. */
export interface EntryReading {
  readonly value: number;
  readonly unit: LengthUnit | 'cents';
  readonly says: string;
  readonly question: EntryQuestion | null;
}

export interface EntryError {
  readonly code: 'empty' | 'not-a-length' | 'ambiguous' | 'not-cents';
  readonly message: string;
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

function otherWays(text: string, quantity: Quantity, read: LengthUnit): OtherReading[] {
  const bare = text.trim();
  if (!/^[+-]?[\d.,]+$/.test(bare)) return [];
  const seen: OtherReading[] = [];
  for (const unit of LENGTH_UNITS.filter((u) => u !== read)) {
    const as = `${bare}${SUFFIX[unit]}`;
    const parsed = parseLength(as);
    if (!parsed.ok || !within(parsed.value.mm, QUANTITY_FACTS[quantity].plausible)) continue;
    seen.push({ text: as, value: parsed.value.mm, says: `${as} = ${formatLength(parsed.value.mm, 'mm')}` });
  }
  return seen;
}

function readLength(text: string, quantity: Quantity, unit: LengthUnit): Result<EntryReading, EntryError> {
  const read = parseLength(text, bareUnit(text, unit));
  if (!read.ok) return fail({ code: read.error.code, message: read.error.message });
  const { mm: value, unit: readIn } = read.value;
  const says = formatLength(value, readIn === 'mm' ? unit : 'mm');
  if (within(value, QUANTITY_FACTS[quantity].plausible))
    return ok({ value, unit: readIn, says, question: null });
  const name = QUANTITY_FACTS[quantity].name.toLowerCase();
  const message = `${formatLength(value, 'mm')} (${formatLength(value, '64ths')}) would be an unusual ${name}. What did the gauge say?`;
  const others = otherWays(text, quantity, readIn);
  return ok({ value, unit: readIn, says, question: { code: 'outside-plausible', message, others } });
}

/**
 * Reads what a tech typed at a station: the value in mm or cents, how it reads back, and a question when it only makes
 * sense in another unit.
 * @param unit the field's unit for a bare number
 * @example readEntry('.078', 'action', 'mm') asks whether .078 in = 1.98 mm was meant
 */
export function readEntry(
  text: string,
  quantity: Quantity,
  unit: LengthUnit,
): Result<EntryReading, EntryError> {
  if (QUANTITY_FACTS[quantity].measure === 'length') return readLength(text, quantity, unit);
  const read = parseCents(text);
  if (!read.ok) return fail(read.error);
  const value = read.value;
  const question = within(value, QUANTITY_FACTS[quantity].plausible)
    ? null
    : {
        code: 'outside-plausible' as const,
        message: `${formatCents(value)} cents is nearly another note. Was the right string played?`,
        others: [],
      };
  return ok({ value, unit: 'cents', says: `${formatCents(value)} c`, question });
}
