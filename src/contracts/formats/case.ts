import { z } from 'zod';
import { KINDS } from '../../core/instrument/kinds.ts';
import { middleScale } from '../../core/instrument/scales.ts';
import { MATTERS_NAMES } from '../../core/instrument/matters.ts';
import { usualConstruction } from '../../core/instrument/defaults.ts';
import { stringsOfCourse, type Construction } from '../../core/instrument/construction.ts';
import type { Case } from '../../core/plan/case/case.ts';
import { answerCase, type CaseAnswer } from '../../core/plan/case/case-answer.ts';
import { readEntry } from '../../core/readings/entry.ts';
import { QUANTITIES, type Quantity } from '../../core/readings/quantities.ts';
import type { Reading } from '../../core/readings/reading.ts';
import { STRING_AGE_NAMES } from '../../core/readings/set-on.ts';
import { ACTION_FRET, RELIEF_FRET, stationKey } from '../../core/readings/stations.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { parseLength } from '../../core/units/parse-length.ts';
import { constructionFields, constructionSchema } from '../construction.ts';
import { jsonSchema, type JsonSchema } from '../sums/openapi.ts';

const typed = (what: string) => z.string().min(1).max(60).meta({ description: what });

/** A small case for the command line: an instrument, what was read and found on it, the turns of its rod. */
export const caseFormat = z
  .object({
    format: z.literal('rubrica case'),
    version: z.literal(1),
    kind: z.enum(KINDS),
    construction: constructionFields
      .partial()
      .default({})
      .meta({ description: 'what differs from the kind’s usual instrument' }),
    touch: z.enum(['light', 'medium', 'heavy']).default('medium'),
    worth: z.number().min(0).nullish().meta({
      description: 'what it is worth in good order, in the shop’s currency; absent where nobody has said',
    }),
    matters: z.enum(MATTERS_NAMES).nullish().meta({
      description: 'for what it matters to whom it belongs; absent where nobody asked',
    }),
    stringAge: z.enum(STRING_AGE_NAMES).nullish().meta({
      description: 'how old the strings are it was read with; absent where nobody said',
    }),
    readings: z
      .array(
        z.object({
          quantity: z.enum(QUANTITIES),
          string: z
            .union([z.number().int().min(0).max(14), z.string().regex(/^[1-9]\d?[ab]?$/)])
            .optional()
            .meta({
              description:
                '1 is the highest; 0 or absent: none. Where strings go in pairs also a course, "6", or one string of it, "6a" toward the bass; numbers that all fit the courses are courses',
            }),
          fret: z
            .number()
            .int()
            .min(0)
            .max(36)
            .optional()
            .meta({ description: 'the usual one where absent' }),
          typed: typed(
            'as it was typed, with its unit; a bare number is mm, one written as inches are (.014) is inches',
          ),
        }),
      )
      .max(500)
      .default([]),
    findings: z
      .array(
        z.object({
          item: z.string().min(1).max(40),
          finding: z
            .string()
            .max(40)
            .optional()
            .meta({ description: 'its code; the item’s first finding where absent' }),
          note: z.string().max(2000).optional(),
        }),
      )
      .max(200)
      .default([]),
    turns: z
      .array(
        z.object({
          eighths: z.number().min(-64).max(64).meta({ description: 'of a turn; tighten positive' }),
          before: typed('relief before'),
          after: typed('relief after'),
        }),
      )
      .max(200)
      .default([]),
  })
  .meta({ title: 'Rubrica case' });

type CaseFile = z.output<typeof caseFormat>;

/** The fret a quantity is usually read at, where a case does not say. */
const USUAL_FRET: Partial<Readonly<Record<Quantity, number>>> = {
  relief: RELIEF_FRET,
  action: ACTION_FRET,
  intonation: ACTION_FRET,
  'nut-gap': 1,
};

/** Quantities whose number is a string's, and not a place across. */
const OF_STRINGS: ReadonlySet<Quantity> = new Set([
  'action',
  'nut-gap',
  'intonation',
  'contact',
  'break-angle',
]);

/** The unit of a bare number: a bench writes inches without the nought, `.014`; all else is mm. */
const unitOfBare = (text: string): 'in' | 'mm' => (/^\s*[-−]?\s*\.\d{3,4}\s*$/.test(text) ? 'in' : 'mm');

/**
 * The numbers of the strings a reading is of. Where strings go in pairs, `6a` is one string of a course and `6` in quotes a course;
 * numbers are courses where none is beyond them: nobody who counts to twelve leaves all above six unread.
 */
function stringsNamed(
  c: Construction,
  named: CaseFile['readings'][number]['string'],
  countsCourses: boolean,
): readonly number[] {
  if (named === undefined || named === 0) return [0];
  const number = typeof named === 'number' ? named : Number.parseInt(named, 10);
  if (c.perCourse === 1 || (typeof named === 'number' && !countsCourses)) return [number];
  const all = stringsOfCourse(c, number * c.perCourse);
  const letter = typeof named === 'string' ? named.slice(-1) : '';
  return letter === 'a' ? all.slice(0, 1) : letter === 'b' ? all.slice(-1) : all;
}

function readingsOf(file: CaseFile, c: Construction): Result<Reading[], string> {
  const readings: Reading[] = [];
  const numbers = file.readings.flatMap((r) =>
    typeof r.string === 'number' && OF_STRINGS.has(r.quantity) ? [r.string] : [],
  );
  const countsCourses = numbers.every((n) => n <= c.strings.length / c.perCourse);
  for (const [i, r] of file.readings.entries()) {
    const read = readEntry(r.typed, r.quantity, unitOfBare(r.typed));
    if (!read.ok) return fail(`readings.${i}.typed: ${read.error.message}`);
    const fret = r.fret ?? USUAL_FRET[r.quantity] ?? 0;
    // Across a fret the number is a place, not a string.
    const strings = stringsNamed(c, r.string, countsCourses && OF_STRINGS.has(r.quantity));
    for (const string of strings) {
      if (string > c.strings.length)
        return fail(`readings.${i}.string: this instrument has ${c.strings.length} strings.`);
      readings.push({
        key: stationKey(r.quantity, string, fret),
        quantity: r.quantity,
        string,
        fret,
        value: read.value.value,
        round: 'as-found',
        takenAt: 0,
        notRepresentative: null,
      });
    }
  }
  return ok(readings);
}

function turnsOf(file: CaseFile): Result<Case['turns'], string> {
  const turns: { eighths: number; before: number; after: number }[] = [];
  for (const [i, t] of file.turns.entries()) {
    const [before, after] = [t.before, t.after].map((text) => parseLength(text, unitOfBare(text))) as [
      ReturnType<typeof parseLength>,
      ReturnType<typeof parseLength>,
    ];
    if (!before.ok) return fail(`turns.${i}.before: ${before.error.message}`);
    if (!after.ok) return fail(`turns.${i}.after: ${after.error.message}`);
    turns.push({ eighths: t.eighths, before: before.value.mm, after: after.value.mm });
  }
  return ok(turns);
}

const HUNDRED = 100;

/** Reads a case; says what is wrong with it and where. */
export function readCase(data: unknown): Result<Case, string> {
  const read = caseFormat.safeParse(data);
  if (!read.success) {
    const [issue] = read.error.issues;
    return fail(`${issue?.path.join('.') || 'the whole'}: ${issue?.message ?? 'it cannot be read'}`);
  }
  const file = read.data;
  const construction = {
    ...usualConstruction(file.kind),
    ...file.construction,
    // Of two scales the neck's is the middle.
    ...(file.construction.fan && { scale: middleScale(file.construction.fan) }),
    kind: file.kind,
  } as Construction;
  const whole = constructionSchema.safeParse(construction);
  if (!whole.success) {
    const [issue] = whole.error.issues;
    return fail(`construction.${issue?.path.join('.') ?? ''}: ${issue?.message ?? 'it is not possible'}`);
  }
  const readings = readingsOf(file, construction);
  if (!readings.ok) return readings;
  const turns = turnsOf(file);
  if (!turns.ok) return turns;
  return ok({
    construction,
    touch: file.touch,
    worth: file.worth == null ? null : Math.round(file.worth * HUNDRED),
    matters: file.matters ?? null,
    stringAge: file.stringAge ?? null,
    readings: readings.value,
    findings: file.findings,
    turns: turns.value,
  });
}

/** The format as JSON Schema. */
export const caseSchema = (): JsonSchema => jsonSchema(caseFormat);

/** The plans of a case as they go out: money in the shop's currency, as its worth came in. */
export function planOfCase(data: unknown): Result<CaseAnswer, string> {
  const read = readCase(data);
  if (!read.ok) return read;
  const answer = answerCase(read.value);
  return ok({ ...answer, plans: answer.plans.map((p) => ({ ...p, price: p.price / HUNDRED })) });
}
