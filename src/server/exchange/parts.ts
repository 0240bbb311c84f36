import { createHash } from 'node:crypto';
import { z } from 'zod';
import { jsonSchema, type JsonSchema } from '../../contracts/sums/openapi.ts';
import type { Models } from '../db/models/index.ts';

/** The tables that make up a job, in the order they can be written: what is referred to comes first. */
export interface Part {
  readonly name: string;
  readonly model: keyof Models;
  /** the column that ties a row to the job, or to a row of another part */
  readonly owner: { readonly column: string; readonly part: string | null };
  /** other columns that point at rows of a part */
  readonly refs?: Readonly<Record<string, string>>;
  /** columns that hold a person, written as a name */
  readonly people: readonly string[];
  /** columns that mean nothing elsewhere */
  readonly leave?: readonly string[];
  /** came after files were first written: a file without it is read too */
  readonly later?: boolean;
}

const ofJob = { column: 'jobId', part: null } as const;

export const PARTS: readonly Part[] = [
  { name: 'things', model: 'JobItem', owner: ofJob, people: ['returnedBy'] },
  { name: 'marks', model: 'Mark', owner: ofJob, people: ['markedBy'] },
  { name: 'photos', model: 'Photo', owner: ofJob, refs: { markId: 'marks' }, people: ['takenBy'] },
  { name: 'receipts', model: 'Receipt', owner: ofJob, people: ['givenBy'] },
  { name: 'stringChanges', model: 'StringChange', owner: ofJob, people: ['changedBy'] },
  { name: 'inspections', model: 'Inspection', owner: ofJob, people: ['finishedBy'], leave: ['checklistId'] },
  {
    name: 'answers',
    model: 'InspectionAnswer',
    owner: { column: 'inspectionId', part: 'inspections' },
    people: ['answeredBy'],
  },
  { name: 'rounds', model: 'Round', owner: ofJob, people: [], leave: ['gauges'] },
  {
    name: 'readings',
    model: 'ReadingRow',
    owner: { column: 'roundId', part: 'rounds' },
    people: ['takenBy'],
  },
  { name: 'targets', model: 'JobTarget', owner: ofJob, people: [] },
  { name: 'decisions', model: 'Decision', owner: ofJob, people: ['decidedBy'] },
  {
    name: 'lines',
    model: 'WorkLine',
    owner: ofJob,
    refs: { decisionId: 'decisions', stops: 'lines' },
    people: ['finishedBy', 'askedBy'],
  },
  {
    name: 'entries',
    model: 'TimeEntry',
    owner: { column: 'lineId', part: 'lines' },
    people: ['personId', 'correctedBy'],
  },
  {
    name: 'turns',
    model: 'RodTurn',
    owner: ofJob,
    refs: { lineId: 'lines' },
    people: ['turnedBy'],
    later: true,
  },
  {
    name: 'cuts',
    model: 'CutRow',
    owner: ofJob,
    refs: { lineId: 'lines' },
    people: ['madeBy'],
    later: true,
  },
  { name: 'handOvers', model: 'HandOver', owner: ofJob, people: ['checkedBy', 'secondBy', 'endedBy'] },
  { name: 'payments', model: 'PaymentRow', owner: ofJob, people: ['byPerson', 'backBy'], later: true },
  { name: 'earlierSeals', model: 'EarlierSeal', owner: ofJob, people: ['reopenedBy'], later: true },
  {
    name: 'remarks',
    model: 'Remark',
    owner: ofJob,
    refs: { lineId: 'lines' },
    people: ['byPerson', 'toPerson', 'answeredBy'],
    later: true,
  },
  { name: 'handOns', model: 'HandOn', owner: ofJob, people: ['fromPerson', 'toPerson'], later: true },
  {
    name: 'accidents',
    model: 'Accident',
    owner: ofJob,
    refs: { lineId: 'lines' },
    people: ['recordedBy'],
    later: true,
  },
  { name: 'whatIfs', model: 'WhatIf', owner: ofJob, people: ['madeBy'], later: true },
  { name: 'planChoices', model: 'PlanChoice', owner: ofJob, people: ['chosenBy'], later: true },
  { name: 'planResults', model: 'PlanResult', owner: ofJob, people: [], later: true },
  { name: 'events', model: 'EventRow', owner: ofJob, people: ['personId'], leave: ['deviceId', 'commandId'] },
];

/** What a photo's item may point at besides an item of the checklist: `line:3` is a photo of a step. */
export const PHOTOGRAPHED: Readonly<Record<string, string>> = { line: 'lines', accident: 'accidents' };

/** The columns of the job itself that are written as they are. */
export const JOB_LEAVES = [
  'id',
  'instrumentId',
  'customerId',
  'placeId',
  'holderId',
  'takenInBy',
  // How far its counts are is a matter of the house it stands in.
  'changes',
  'counted',
] as const;

/** What of an instrument means nothing elsewhere: on whose floor it hangs least of all. */
export const INSTRUMENT_LEAVES = ['id', 'customerId', 'mergedInto', 'floorSince', 'learnedAt'] as const;

type Attribute = {
  readonly type: {
    readonly key: string;
    readonly values?: readonly string[];
    readonly _length?: number | string;
  };
  readonly defaultValue?: unknown;
};

const LONGEST_TEXT = 5_000_000;

/** What one column may hold in a file, from its type in the database. The database has the last word. */
function columnSchema({ type }: Attribute): z.ZodType {
  switch (type.key) {
    case 'INTEGER':
    case 'BIGINT':
    case 'TINYINT':
      return z.number().int();
    case 'DECIMAL':
      return z.string().regex(/^-?\d{1,12}(\.\d{1,12})?$/);
    case 'BOOLEAN':
      return z.boolean();
    case 'DATE':
      return z.iso.datetime();
    case 'DATEONLY':
      return z.iso.date();
    case 'ENUM':
      return z.enum([...(type.values ?? [])]);
    case 'JSON':
      return z.json();
    default:
      return z.string().max(Number(type._length) || LONGEST_TEXT);
  }
}

const attributesOf = (models: Models, model: keyof Models): Readonly<Record<string, Attribute>> =>
  (models[model] as unknown as { getAttributes: () => Record<string, Attribute> }).getAttributes();

/** The columns of a model that a file carries as they are. */
export const plainColumns = (models: Models, model: keyof Models, without: readonly string[]): string[] =>
  Object.keys(attributesOf(models, model)).filter((c) => !without.includes(c));

export const leftOut = (part: Part): readonly string[] => [
  'id',
  part.owner.column,
  ...Object.keys(part.refs ?? {}),
  ...part.people,
  ...(part.leave ?? []),
];

function rowSchema(models: Models, model: keyof Models, without: readonly string[]): z.ZodObject {
  const attributes = attributesOf(models, model);
  return z.strictObject(
    Object.fromEntries(
      plainColumns(models, model, without).map((c) => {
        const attribute = attributes[c];
        if (!attribute) return [c, z.never()];
        const column = columnSchema(attribute).nullable();
        // A file written before the column came is read too: the column's default stands in.
        return [c, attribute.defaultValue === undefined ? column : column.optional()];
      }),
    ),
  );
}

const ref = z.number().int().min(1).nullish();

/** What of a job crosses from one house to another. */
export function jobFormat(models: Models) {
  const parts = Object.fromEntries(
    PARTS.map((part) => {
      const more = {
        ...(part.owner.part !== null && { of: z.number().int().min(1) }),
        ...Object.fromEntries(Object.keys(part.refs ?? {}).map((c) => [c, ref])),
        ...Object.fromEntries(part.people.map((c) => [c, z.string().max(80).nullish()])),
      };
      const rows = z.array(rowSchema(models, part.model, leftOut(part)).extend(more)).max(50_000);
      return [part.name, part.later ? rows.optional() : rows];
    }),
  );
  return z
    .strictObject({
      format: z.literal('rubrica job'),
      version: z.literal(1),
      people: z.array(
        z.strictObject({
          name: z.string().min(1).max(80),
          initials: z.string().max(4),
          role: z.enum(['desk', 'technician', 'lead', 'owner']),
        }),
      ),
      customer: rowSchema(models, 'Customer', ['id', 'mergedInto']),
      instrument: rowSchema(models, 'Instrument', INSTRUMENT_LEAVES).extend({
        kindName: z.string().min(1).max(60),
      }),
      job: rowSchema(models, 'Job', JOB_LEAVES).extend({
        takenInBy: z.string().max(80),
        holder: z.string().max(80).nullable(),
        place: z.string().max(40).nullable(),
      }),
      checklist: rowSchema(models, 'ChecklistRow', ['id']).nullable(),
      parts: z.strictObject(parts),
    })
    .meta({ title: 'Rubrica job' });
}

/** The published JSON Schema of a job's file. */
export const jobSchema = (models: Models): JsonSchema => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  ...jsonSchema(jobFormat(models)),
});

/** A job as its file carries it. Rows of a part refer to rows of another by their place, counted from 1. */
export interface JobFile {
  readonly format: 'rubrica job';
  readonly version: 1;
  readonly people: ReadonlyArray<{
    readonly name: string;
    readonly initials: string;
    readonly role: 'desk' | 'technician' | 'lead' | 'owner';
  }>;
  readonly customer: Record<string, unknown>;
  readonly instrument: Record<string, unknown> & { readonly kindName: string };
  readonly job: Record<string, unknown> & {
    readonly takenInBy: string;
    readonly holder: string | null;
    readonly place: string | null;
  };
  readonly checklist: Record<string, unknown> | null;
  readonly parts: Readonly<Record<string, ReadonlyArray<Record<string, unknown>>>>;
}

export const sha256Hex = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
/** The file of a photo, by its place among the job's photos. */
export const photoName = (place: number): string => `photos/${place}.jpg`;
