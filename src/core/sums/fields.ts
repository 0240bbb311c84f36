import { z } from 'zod';

/** What a number counts; the form reads it and the documents print it. */
export type FieldUnit =
  | 'mm'
  | 'degrees'
  | 'cents'
  | 'N'
  | 'mm for each N'
  | 'Hz'
  | 'kg/m'
  | 'kg/m³'
  | 'Pa'
  | 'fret'
  | 'eighths of a turn'
  | 'share'
  | 'count';

interface Range {
  readonly min?: number;
  readonly max?: number;
  /** whole numbers only */
  readonly whole?: boolean;
}

/** Units that are not said after a number. */
const UNSAID: ReadonlySet<FieldUnit> = new Set(['fret', 'count', 'share']);

const missingOr = (what: string) => (issue: { readonly input?: unknown }) =>
  issue.input === undefined ? 'is missing' : what;

/** A number of a unit, within a range, with what it means. */
export function number(unit: FieldUnit, description: string, range: Range = {}) {
  const { min, max, whole = false } = range;
  const said = UNSAID.has(unit) ? '' : ` ${unit}`;
  let schema = z.number({ error: missingOr('must be a number') });
  if (whole) schema = schema.int({ error: 'must be a whole number' });
  if (min !== undefined) schema = schema.min(min, { error: `must be at least ${min}${said}` });
  if (max !== undefined) schema = schema.max(max, { error: `must be at most ${max}${said}` });
  return schema.meta({ description, unit });
}

/** Without its range: what comes out is what it is. */
export const result = (unit: FieldUnit, description: string) => z.number().meta({ description, unit });

/**
 * How a length is measured at the bench, and so the unit of a bare number in its field: an action follows the unit one
 * works in, a gap or a gauge is in thousandths where actions are in 64ths, what lies along the neck is in mm.
 */
export type Measure = 'action' | 'gap' | 'along';

const LONGEST_GAP = 10;

/** A length in mm. */
export const length = (
  description: string,
  min = 0,
  max = 3000,
  measure: Measure = max <= LONGEST_GAP ? 'gap' : 'along',
) => number('mm', description, { min, max }).meta({ description, unit: 'mm', measure });

export const LAST_FRET = 36;

/** A fret by its number. */
export const fret = (description: string, min = 1) =>
  number('fret', description, { min, max: LAST_FRET, whole: true });

/** The scale length of any fretted instrument. */
export const scale = () => length('scale length, nut to the theoretical saddle', 100, 2000);

/** What the saddle stands behind the scale. */
export const compensation = () =>
  length('what the saddle stands behind the scale length; 0 when not said', -50, 50).optional();

/** One of several words. */
export const choice = <const T extends readonly [string, ...string[]]>(
  description: string,
  words: T,
  aliases: readonly string[] = [],
) =>
  z
    .enum(words, { error: missingOr(`must be one of: ${words.join(', ')}`) })
    .meta({ description, ...(aliases.length > 0 && { aliases }) });

/** Yes or no. */
export const yesNo = (description: string) =>
  z.boolean({ error: missingOr('must be true or false') }).meta({ description });

/** A group of fields; a field that is not known is refused by its name. */
export const group = <S extends z.ZodRawShape>(shape: S, description = '') =>
  z.strictObject(shape, { error: groupError }).meta(description === '' ? {} : { description });

function groupError(issue: { readonly code?: string | undefined; readonly input?: unknown }): string {
  if (issue.code === 'unrecognized_keys') return 'is not a field of this sum';
  return issue.input === undefined ? 'is missing' : 'must be a group of fields';
}

/** Several of one thing. */
export const list = <T extends z.ZodType>(of: T, description: string, min: number, max: number) =>
  z
    .array(of, { error: missingOr('must be a list') })
    .min(min, { error: `must have at least ${min}` })
    .max(max, { error: `must have at most ${max}` })
    .meta({ description });
