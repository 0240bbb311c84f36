import { z } from 'zod';
import { fail, ok, type Result } from '../../core/result.ts';
import {
  SKILLS,
  STATIONS,
  WORN_PARTS,
  type Skill,
  type WorkPlace,
} from '../../core/catalogue/operation-record.ts';
import { wholeOperation } from '../../core/catalogue/operations.ts';
import type { Operation } from '../../core/catalogue/operation.ts';
import { QUANTITIES } from '../../core/readings/quantities.ts';
import { condition, unknownValues } from '../condition.ts';
import { operationId } from '../operation-id.ts';
import { jsonSchema, type JsonSchema } from '../sums/openapi.ts';

const keys = <K extends string>(of: Readonly<Record<K, string>>) => Object.keys(of) as [K, ...K[]];
const minutes = z.number().int().min(0).max(100_000);

const sentence = z.string().max(200).optional();
const flag = z.boolean().optional();

/** What an operation is known for. A file from before it was asked for has none of it: then as it ships. */
const traits = {
  fits: condition
    .refine((c) => unknownValues(c).length === 0, 'a value of a condition is not known')
    .optional()
    .meta({ description: 'what an instrument has to have for it; {"all": []} is any' }),
  customer: sentence.meta({ description: 'what the customer reads; empty where it is nothing to them' }),
  done: sentence.meta({ description: 'what they read once it is done; empty where that is the same' }),
  changes: sentence.meta({ description: 'what is no longer original, as the customer reads it' }),
  risky: flag.meta({ description: 'it may show what nobody can see before' }),
  takesFrom: z
    .enum(WORN_PARTS)
    .nullable()
    .optional()
    .meta({ description: 'the part it takes from for good' }),
  restsOn: z
    .array(z.enum(QUANTITIES))
    .optional()
    .meta({ description: 'the readings it is done by, fresh before it begins' }),
  wantsStraight: flag.meta({ description: 'it waits until the neck is straight' }),
  heavy: flag.meta({ description: 'never offered to gain a little where less leaves nothing out' }),
  askedBy: z
    .array(z.string().regex(/^[a-z0-9-]{1,40}:[a-z0-9-]{1,40}$/))
    .max(60)
    .optional()
    .meta({ description: 'the findings that ask for it: item and finding, plate:worn' }),
  replaces: z
    .array(operationId)
    .optional()
    .meta({ description: 'what it stands in for where the part is past it' }),
  includes: z
    .array(operationId)
    .optional()
    .meta({ description: 'what is part of it, and is not done beside it' }),
  waitRange: z
    .strictObject({ low: minutes, high: minutes })
    .refine((w) => w.low <= w.high, 'low and high must not fall')
    .nullable()
    .optional()
    .meta({ description: 'minutes it may wait instead; null where it always waits as long' }),
  actWhen: sentence.meta({ description: 'when to act where it is left' }),
  strung: flag.meta({ description: 'it is done with the strings on' }),
  strings: z
    .enum(['off', 'on'])
    .nullable()
    .optional()
    .meta({ description: 'strings come off with it, or are on after it' }),
  alongside: flag.meta({ description: 'it goes along with others' }),
  alongString: flag.meta({ description: 'its amounts go along the string' }),
  filesNut: flag.meta({ description: 'a nut file to each gauge is fetched for it' }),
  plain: flag.meta({ description: 'it is part of a plain setup' }),
};

/** Operations as they go out: what each needs, takes, moves, and what to beware of. */
export const operationsFormat = z
  .array(
    z.strictObject({
      id: operationId,
      name: z.string().min(1).max(120),
      order: z
        .number()
        .int()
        .min(-100_000)
        .max(100_000)
        .meta({ description: 'place in the order of a setup' }),
      needs: z.array(operationId).meta({ description: 'what is done before it, where both are done' }),
      minutes: z
        .strictObject({ low: minutes, likely: minutes, high: minutes })
        .refine((m) => m.low <= m.likely && m.likely <= m.high, 'low, likely and high must not fall'),
      wait: minutes.meta({ description: 'minutes it waits afterwards, nobody at it' }),
      skill: z.enum(keys<Skill>(SKILLS)),
      place: z.enum(keys<WorkPlace>(STATIONS)),
      materials: z.array(z.string().min(1).max(80)),
      price: minutes.meta({ description: 'labour in minor units of money' }),
      parts: minutes.meta({ description: 'parts in minor units of money' }),
      stale: z.array(z.enum(QUANTITIES)).meta({ description: 'what must be read again after it' }),
      reversible: z.boolean(),
      hazards: z.array(z.string().min(1).max(200)),
      ...traits,
    }),
  )
  .min(1)
  .max(300)
  .refine((all) => new Set(all.map((o) => o.id)).size === all.length, 'an operation is there twice')
  .meta({ title: 'Rubrica operations' });
export type OperationsFile = z.output<typeof operationsFormat>;

/** Reads a catalogue's file; says the first thing that is wrong with it and where. */
export function readOperationsFile(text: string): Result<readonly Operation[], string> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return fail('This is no JSON file.');
  }
  const read = operationsFormat.safeParse(json);
  if (read.success) return ok(read.data.map(wholeOperation));
  const [issue] = read.error.issues;
  return fail(`${issue?.path.join('.') || 'the whole'}: ${issue?.message ?? 'it cannot be read'}.`);
}

/** The published JSON Schema of the format. */
export const operationsSchema = (): JsonSchema => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  description: 'The catalogue of a shop’s operations. Times in minutes, money in minor units.',
  ...jsonSchema(operationsFormat),
});
