import { fail, ok, type Result } from '../result.ts';
import { mm, type Mm } from './brand.ts';
import { toMm, type LengthUnit } from './length-units.ts';

/** What was understood: the length, the unit it was read in, and whether that unit was written out. */
export interface ReadLength {
  readonly mm: Mm;
  readonly unit: LengthUnit;
  readonly explicit: boolean;
}

export type LengthError =
  | { readonly code: 'empty'; readonly message: string }
  | { readonly code: 'not-a-length'; readonly message: string }
  | { readonly code: 'ambiguous'; readonly message: string; readonly readings: readonly string[] };

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

const UNIT_WORDS: ReadonlyArray<readonly [RegExp, LengthUnit]> = [
  [/^(mm\.?|millimet(re|er)s?)$/, 'mm'],
  [/^("|''|in\.?|inch|inches)$/, 'in'],
  [/^(thou\.?|thousandths?|thousandths of an inch)$/, 'thou'],
  [/^(64ths?|64\.)$/, '64ths'],
  [/^(32nds?|32\.)$/, '32nds'],
];

const INCH_DENOMINATORS = new Set([2, 4, 8, 16, 32, 64, 128]);

const normalise = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[\u00bc-\u00be\u2153-\u215e]/g, (c) => (VULGAR[c] === undefined ? c : ` ${VULGAR[c]}`))
    .replace(/[\u2044\u2215]/g, '/')
    .replace(/[\u2033\u201d\u201c]/g, '"')
    .replace(/[\u2019\u2032]{2}/g, '"')
    .replace(/[\u2212\u2013]/g, '-')
    .replace(/\s*\/\s*/g, '/')
    .replace(/\s+/g, ' ')
    .trim();

/** The unit a text says after its number; `5/64ths` says again that it is of an inch. */
function unitWritten(rest: string, { form, denominator }: Amount): LengthUnit | undefined {
  if (form !== 'decimal' && rest === (denominator === 64 ? 'ths' : denominator === 32 ? 'nds' : '?'))
    return 'in';
  return UNIT_WORDS.find(([word]) => word.test(rest))?.[1];
}

const decimal = (s: string): number => Number(s.replace(',', '.'));

interface Amount {
  readonly value: number;
  readonly form: 'decimal' | 'fraction' | 'mixed';
  readonly denominator: number;
}

const bad = (text: string): LengthError => ({
  code: 'not-a-length',
  message: `“${text.trim()}” is not a length. Write it like 5/64, .078, 8 thou or 2,1 mm.`,
});

const DECIMAL = String.raw`(?:\d+(?:[.,]\d+)?|[.,]\d+)`;
const AMOUNT = new RegExp(
  String.raw`^(?:(\d+)[ -](\d+)/(\d+)|(${DECIMAL})/(\d+)|(${DECIMAL}))(?=$|[^\d.,/])`,
);
/** `7½/64`, `4 1/2/64`: so many and a part of 64ths or 32nds. */
const COUNTED = /^(?:(\d+)[ -])?(\d+)\/(\d+)\/(32|64)(?=$|[^\d.,/])/;

function readAmount(body: string, text: string): Result<{ amount: Amount; rest: string }, LengthError> {
  const counted = COUNTED.exec(body);
  if (counted) {
    const [all, whole = '0', over, under, denominator] = counted;
    if (Number(under) === 0) return fail(bad(text));
    const value = (Number(whole) + Number(over) / Number(under)) / Number(denominator);
    return ok({
      amount: { value, form: 'fraction', denominator: Number(denominator) },
      rest: body.slice(all.length).trim(),
    });
  }
  const m = AMOUNT.exec(body);
  if (!m) return fail(bad(text));
  const rest = body.slice(m[0].length).trim();
  const denominator = Number(m[3] ?? m[5] ?? 1);
  if (denominator === 0) return fail(bad(text));
  if (m[1] !== undefined) {
    return ok({
      amount: { value: Number(m[1]) + Number(m[2]) / denominator, form: 'mixed', denominator },
      rest,
    });
  }
  if (m[4] !== undefined) {
    return ok({ amount: { value: decimal(m[4]) / denominator, form: 'fraction', denominator }, rest });
  }
  const digits = m[6] ?? '';
  if (/^[1-9]\d{0,2},\d{3}$/.test(digits)) {
    const readings = [digits.replace(',', '.'), digits.replace(',', '')];
    return fail({
      code: 'ambiguous',
      message: `“${text.trim()}” could be ${readings[0]} or ${readings[1]}. Write it with a point, or without a separator.`,
      readings,
    });
  }
  return ok({ amount: { value: decimal(digits), form: 'decimal', denominator: 1 }, rest });
}

const ambiguous = (text: string, readings: readonly string[]): LengthError => ({
  code: 'ambiguous',
  message: `“${text.trim()}” could be ${readings.join(' or ')}. Add the unit.`,
  readings,
});

function unitFor(
  a: Amount,
  written: LengthUnit | undefined,
  field: LengthUnit | undefined,
  text: string,
): Result<LengthUnit, LengthError> {
  if (written !== undefined) {
    if (a.form !== 'decimal' && written !== 'in' && a.denominator >= 16) {
      return fail(ambiguous(text, [`${text.replace(/[a-z]+$/i, '').trim()} in`, `a fraction of ${written}`]));
    }
    return ok(written);
  }
  const counted = field === '64ths' || field === '32nds';
  if (a.form === 'mixed' && counted && a.denominator <= 8) return ok(field);
  if (a.form === 'fraction' && counted && a.denominator <= 8) {
    return fail(ambiguous(text, [`${text.trim()} in`, `${text.trim()} of ${field}`]));
  }
  if (a.form !== 'decimal') return INCH_DENOMINATORS.has(a.denominator) ? ok('in') : fail(bad(text));
  if (field !== undefined) return ok(field);
  const n = text.trim();
  return fail(ambiguous(text, a.value < 1 ? [`${n} in`, `${n} mm`] : [`${n} mm`, `${n} thou`, `${n}/64 in`]));
}

/**
 * Reads a length as a bench writes it: `5/64`, `4.5/64`, `7½/64`, `1 3/8"`, `.078`, `78 thou`, `1,98 mm`,
 * `5½ 64ths`, `5/64ths`.
 *
 * A plain fraction of 2, 4, 8 … 128 is of an inch. A bare number takes `fieldUnit`; without one it is refused as
 * ambiguous, with the ways it could be read. Precision is kept: nothing is rounded.
 *
 * @param text what was typed; a leading sign is kept
 * @param fieldUnit the unit of a bare number
 * @returns the length in mm with the unit it was read in; or `empty`, `not-a-length`, `ambiguous`
 * @example parseLength('5/64') → 1.984375 mm
 */
export function parseLength(text: string, fieldUnit?: LengthUnit): Result<ReadLength, LengthError> {
  const clean = normalise(text);
  if (clean === '') return fail({ code: 'empty', message: 'Nothing is written here yet.' });
  const sign = clean.startsWith('-') ? -1 : 1;
  const body = clean.replace(/^[+-]\s*/, '');
  const read = readAmount(body, text);
  if (!read.ok) return read;
  const { amount, rest } = read.value;
  const written = rest === '' ? undefined : unitWritten(rest, amount);
  if (rest !== '' && written === undefined) return fail(bad(text));
  const unit = unitFor(amount, written, fieldUnit, text);
  if (!unit.ok) return unit;
  const length = sign * toMm(amount.value, unit.value);
  if (!Number.isFinite(length)) return fail(bad(text));
  return ok({
    mm: mm(length),
    unit: unit.value,
    explicit: written !== undefined || amount.form !== 'decimal',
  });
}
