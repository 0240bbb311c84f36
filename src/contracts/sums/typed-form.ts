import { fail, ok, type Result } from '../../core/result.ts';
import type { Measure } from '../../core/sums/fields.ts';
import { runDeclared, type AnySum } from '../../core/sums/run-sum.ts';
import { parsePitch } from '../../core/strings/pitch.ts';
import { BARE, bareUnit } from '../../core/units/bare-unit.ts';
import { formatLength } from '../../core/units/format-length.ts';
import { fromMm, LENGTH_UNITS, type LengthUnit } from '../../core/units/length-units.ts';
import { parseCents } from '../../core/units/parse-cents.ts';
import { parseLength } from '../../core/units/parse-length.ts';
import { formFields, type FormField } from './form-fields.ts';

/** What stands in the fields, by dotted path. */
export type Typed = Readonly<Record<string, string>>;

/** The name under which the pitch of A4 stands beside the fields, in Hz; 440 when it is not said. */
export const REFERENCE_KEY = 'a4';
/** Carries the hand a drawing is for: `left` or nothing. It changes no sum. */
export const HAND_KEY = 'hand';

/** Whether what is drawn is for a left-handed instrument. */
export const isLeftHanded = (typed: Typed): boolean => typed[HAND_KEY] === 'left';
const USUAL_REFERENCE = 440;
const LOWEST_REFERENCE = 380;
const HIGHEST_REFERENCE = 480;

/** The name under which the unit of bare numbers stands in an address. */
export const UNIT_KEY = 'u';

/** A form as it was understood: the result, what is wrong at which field, and how lengths and pitches read back. */
export interface ReadForm {
  readonly input: unknown;
  readonly result: Result<unknown, { readonly message: string }>;
  readonly errors: Readonly<Record<string, string>>;
  readonly readsBack: Readonly<Record<string, string>>;
}

/** The unit of a bare number at a field, when actions are read in `unit`. */
export function unitAt(measure: Measure, unit: LengthUnit): LengthUnit {
  const counted = unit === '64ths' || unit === '32nds';
  if (measure === 'gap') return counted ? 'thou' : unit;
  if (measure === 'along') return counted || unit === 'thou' ? 'mm' : unit;
  return unit;
}

/** The members of a list typed in one field; a unit may stand apart from its number. */
const tokens = (text: string): string[] =>
  text
    .replace(/(\S)\s+(mm|in|thou|64ths|32nds|hz)\b/gi, '$1$2')
    .split(/[\s;]+/)
    .filter((t) => t !== '');

/** Frequency of A4 that a form carries, Hz: 440 when it says nothing. */
export function referenceOf(typed: Typed): Result<number, { readonly message: string }> {
  const text = (typed[REFERENCE_KEY] ?? '').trim();
  if (text === '') return ok(USUAL_REFERENCE);
  const read = parsePitch(text);
  if (!read.ok) return read;
  const near = read.value >= LOWEST_REFERENCE && read.value <= HIGHEST_REFERENCE;
  return near ? read : fail({ message: `A4 lies between ${LOWEST_REFERENCE} and ${HIGHEST_REFERENCE} Hz.` });
}

class Reader {
  readonly errors: Record<string, string> = {};
  readonly readsBack: Record<string, string> = {};
  /** rows left empty are skipped: where each row of the input stood in the form */
  readonly rowsAt: Record<string, number[]> = {};

  private readonly typed: Typed;
  private readonly unit: LengthUnit;

  constructor(typed: Typed, unit: LengthUnit) {
    this.typed = typed;
    this.unit = unit;
  }

  /** Frequency of A4 for notes, Hz. */
  private reference(): number {
    const read = referenceOf(this.typed);
    if (!read.ok) this.errors[REFERENCE_KEY] ??= read.error.message;
    return read.ok ? read.value : USUAL_REFERENCE;
  }

  private at(path: string): string {
    return (this.typed[path] ?? '').trim();
  }

  private isEmpty(field: FormField, path: string): boolean {
    if (field.kind === 'group') return field.fields.every((f) => this.isEmpty(f, `${path}.${f.key}`));
    if (field.kind === 'rows') return this.rowIndexes(path).length === 0;
    return this.at(path) === '';
  }

  private rowIndexes(path: string): number[] {
    const seen = new Set<number>();
    for (const [key, value] of Object.entries(this.typed)) {
      const index = key.startsWith(`${path}.`)
        ? Number(key.slice(path.length + 1).split('.')[0])
        : Number.NaN;
      if (Number.isInteger(index) && value.trim() !== '') seen.add(index);
    }
    return [...seen].sort((a, b) => a - b);
  }

  group(fields: readonly FormField[], path: string): Record<string, unknown> {
    const input: Record<string, unknown> = {};
    for (const f of fields) {
      const full = path === '' ? f.key : `${path}.${f.key}`;
      if (f.optional && this.isEmpty(f, full)) continue;
      const value = this.field(f, full);
      if (value !== undefined) input[f.key] = value;
    }
    return input;
  }

  private field(f: FormField, path: string): unknown {
    switch (f.kind) {
      case 'group':
        return this.group(f.fields, path);
      case 'rows': {
        const indexes = this.rowIndexes(path);
        this.rowsAt[path] = indexes;
        return indexes.map((i) => this.group(f.fields, `${path}.${i}`));
      }
      case 'numbers':
        return this.numbers(this.at(path), path, f);
      case 'yes-no':
        return this.at(path) === 'yes';
      case 'choice':
      case 'text':
        return this.at(path);
      case 'number':
        return f.words.includes(this.at(path))
          ? this.at(path)
          : this.number(this.at(path), path, f.unit, f.measure);
    }
  }

  private numbers(text: string, path: string, f: { unit: string; measure: Measure }): unknown[] {
    return tokens(text).map((t) => this.number(t, path, f.unit, f.measure, true));
  }

  private number(
    text: string,
    path: string,
    unit: string,
    measure: Measure,
    inList = false,
  ): number | undefined {
    const read = readNumber(
      text,
      unit,
      unitAt(measure, this.unit),
      unit === 'Hz' ? this.reference() : USUAL_REFERENCE,
    );
    if (!read.ok) {
      this.errors[path] ??= read.error.message;
      return undefined;
    }
    if (!inList && read.value.says !== '') this.readsBack[path] = read.value.says;
    return read.value.value;
  }
}

interface ReadNumber {
  readonly value: number;
  /** how it reads in the sum's own unit, when it was not written in it */
  readonly says: string;
}

const plain = (text: string): number | null =>
  /^[+-]?(\d+([.,]\d+)?|[.,]\d+)(e[+-]?\d+)?$/i.test(text) ? Number(text.replace(',', '.')) : null;

function readNumber(
  text: string,
  unit: string,
  bare: LengthUnit,
  reference: number,
): Result<ReadNumber, { message: string }> {
  if (text === '') return fail({ message: 'Nothing is written here yet.' });
  const clean = text.replace(/[\u2212\u2013]/g, '-');
  if (unit === 'mm') {
    const read = parseLength(text, bareUnit(text, bare));
    if (!read.ok) return read;
    const says = read.value.unit === 'mm' ? '' : formatLength(read.value.mm, 'mm');
    return { ok: true, value: { value: read.value.mm, says } };
  }
  if (unit === 'cents') {
    const read = parseCents(text);
    return read.ok ? { ok: true, value: { value: read.value, says: '' } } : read;
  }
  if (unit === 'Hz') {
    const read = parsePitch(text, reference);
    if (!read.ok) return read;
    return {
      ok: true,
      value: { value: read.value, says: /^\d/.test(text) ? '' : `${read.value.toFixed(2)} Hz` },
    };
  }
  const percent = unit === 'share' ? /^(\d+(?:[.,]\d+)?)\s*%$/.exec(clean) : null;
  if (percent)
    return { ok: true, value: { value: Number((percent[1] ?? '').replace(',', '.')) / 100, says: '' } };
  const n = plain(clean.replace(/\s*(n|pa)$/i, ''));
  if (n === null || !Number.isFinite(n)) return fail({ message: `“${text}” is not a number.` });
  return { ok: true, value: { value: n, says: '' } };
}

/** The field of the form at which an error of the sum belongs: empty rows had been left out. */
function formPath(field: string, rowsAt: Readonly<Record<string, readonly number[]>>): string {
  const [head = '', index = '', ...rest] = field.split('.');
  const row = rowsAt[head]?.[Number(index)];
  return row === undefined ? field : [head, String(row), ...rest].join('.');
}

/** The path of a field that stands in the form: a list typed in one field carries the errors of its members. */
function standing(field: string, fields: readonly FormField[]): string {
  const top = fields.find((f) => f.key === field.split('.')[0]);
  return top?.kind === 'numbers' ? top.key : field;
}

/**
 * Reads a sum's form as it was typed: any unit at any length, notes or Hz at a pitch, commas or points.
 * @param unit of a bare number at a small length
 */
export function readForm(sum: AnySum, typed: Typed, unit: LengthUnit): ReadForm {
  const fields = formFields(sum);
  const reader = new Reader(typed, unit);
  const input = reader.group(fields, '');
  const { errors, readsBack } = reader;
  const [first] = Object.values(errors);
  if (first !== undefined) return { input, result: fail({ message: first }), errors, readsBack };
  const result = runDeclared(sum, input);
  if (result.ok) return { input, result, errors, readsBack };
  const path = standing(formPath(result.error.field, reader.rowsAt), fields);
  return { input, result, errors: { [path]: result.error.message }, readsBack };
}

/** What would be typed to give an input, where bare lengths are mm. */
export function typeOut(sum: AnySum, input: unknown): Typed {
  const typed: Record<string, string> = {};
  const write = (fields: readonly FormField[], value: unknown, path: string): void => {
    for (const f of fields) {
      const v = (value as Readonly<Record<string, unknown>> | undefined)?.[f.key];
      const full = path === '' ? f.key : `${path}.${f.key}`;
      if (v === undefined) continue;
      if (f.kind === 'group') write(f.fields, v, full);
      else if (f.kind === 'rows')
        for (const [i, row] of (v as unknown[]).entries()) write(f.fields, row, `${full}.${i}`);
      else if (f.kind === 'numbers') typed[full] = (v as number[]).join(' ');
      else if (f.kind === 'yes-no') typed[full] = v === true ? 'yes' : 'no';
      else typed[full] = String(v);
    }
  };
  write(formFields(sum), input, '');
  return typed;
}

/** The form an address carries, or null when it carries none; the unit is that of bare numbers. */
export function fromAddress(query: URLSearchParams): { typed: Typed; unit: LengthUnit } | null {
  const unit = LENGTH_UNITS.find((u) => u === query.get(UNIT_KEY)) ?? 'mm';
  const typed = Object.fromEntries([...query].filter(([k]) => k !== UNIT_KEY));
  return Object.keys(typed).length === 0 ? null : { typed, unit };
}

/** The address of a form: what is typed, and the unit when it is not mm. */
export function toAddress(typed: Typed, unit: LengthUnit): string {
  const query = new URLSearchParams(Object.entries(typed).filter(([, v]) => v.trim() !== ''));
  if (unit !== 'mm') query.set(UNIT_KEY, unit);
  return query.toString();
}

const withSuffix = (text: string, old: LengthUnit, next: LengthUnit, space: string): string => {
  if (!BARE.test(text)) return text;
  const meant = bareUnit(text, old);
  if (meant === bareUnit(text, next)) return text;
  return meant === '64ths' ? `${text}/64` : meant === '32nds' ? `${text}/32` : `${text}${space}${meant}`;
};

/** Keeps the meaning of bare numbers when the unit changes: those that would mean something else get the unit they were typed in. */
export function withOldUnit(sum: AnySum, typed: Typed, old: LengthUnit, next: LengthUnit): Typed {
  const fields = formFields(sum);
  return Object.fromEntries(
    Object.entries(typed).map(([path, text]) => {
      const f = fieldAt(fields, path.split('.'));
      if (!f || (f.kind !== 'number' && f.kind !== 'numbers') || f.unit !== 'mm') return [path, text];
      const [was, is] = [unitAt(f.measure, old), unitAt(f.measure, next)];
      if (f.kind === 'number') return [path, withSuffix(text.trim(), was, is, ' ')];
      return [
        path,
        tokens(text)
          .map((t) => withSuffix(t, was, is, ''))
          .join(' '),
      ];
    }),
  );
}

/** A length as a gauge of a unit shows it, without its unit: tenths of a 64th, thousandths of an inch. */
const asGauged = (mm: number, unit: LengthUnit): string =>
  unit === 'thou'
    ? formatLength(mm, 'thou')
    : String(Number(fromMm(mm, unit).toFixed(unit === 'in' ? 4 : 1)));

/**
 * A sum's worked example as whoever reads in a unit would have typed it, by a gauge of that unit: in millimetres exactly, else as
 * near as that gauge shows: 0.04 mm off at most.
 * @param unit of a bare number at a small length
 */
export function exampleIn(sum: AnySum, unit: LengthUnit): Typed {
  const fields = formFields(sum);
  const typed = typeOut(sum, sum.example);
  return Object.fromEntries(
    Object.entries(typed).map(([path, text]) => {
      const f = fieldAt(fields, path.split('.'));
      if (!f || (f.kind !== 'number' && f.kind !== 'numbers') || f.unit !== 'mm') return [path, text];
      const bare = unitAt(f.measure, unit);
      if (bare === 'mm') return [path, text];
      return [
        path,
        tokens(text)
          .map((t) => (BARE.test(t) ? asGauged(Number(t), bare) : t))
          .join(' '),
      ];
    }),
  );
}

/** The field at a path; the numbers of rows say nothing about which field it is. */
function fieldAt(fields: readonly FormField[], path: readonly string[]): FormField | null {
  const [head, ...rest] = path.filter((p) => !/^\d+$/.test(p));
  const field = fields.find((f) => f.key === head) ?? null;
  if (rest.length === 0 || field === null) return field;
  return field.kind === 'group' || field.kind === 'rows' ? fieldAt(field.fields, rest) : null;
}
