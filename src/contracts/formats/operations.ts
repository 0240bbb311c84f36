import { z } from 'zod';
import { fail, ok, type Result } from '../../core/result.ts';
import { SKILLS, STATIONS, type Skill, type WorkPlace } from '../../core/plan/operation.ts';
import { QUANTITIES } from '../../core/readings/quantities.ts';
import { operationId } from '../operation-id.ts';
import { jsonSchema, type JsonSchema } from '../sums/openapi.ts';

const keys = <K extends string>(of: Readonly<Record<K, string>>) => Object.keys(of) as [K, ...K[]];
const minutes = z.number().int().min(0).max(100_000);

/** Operations as they go out: what each needs, takes, moves, and what to beware of. */
export const operationsFormat = z
  .array(
    z.strictObject({
      id: operationId,
      name: z.string().min(1).max(120),
      order: z.number().int().meta({ description: 'place in the order of a setup' }),
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
    }),
  )
  .min(1)
  .max(300)
  .refine((all) => new Set(all.map((o) => o.id)).size === all.length, 'an operation is there twice')
  .meta({ title: 'Rubrica operations' });
export type OperationsFile = z.output<typeof operationsFormat>;

/** Reads a catalogue's file; says the first thing that is wrong with it and where. */
export function readOperationsFile(text: string): Result<z.output<typeof operationsFormat>, string> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return fail('This is no JSON file.');
  }
  const read = operationsFormat.safeParse(json);
  if (read.success) return ok(read.data);
  const [issue] = read.error.issues;
  return fail(`${issue?.path.join('.') || 'the whole'}: ${issue?.message ?? 'it cannot be read'}.`);
}

/** The published JSON Schema of the format. */
export const operationsSchema = (): JsonSchema => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  description: 'The catalogue of a shop’s operations. Times in minutes, money in minor units.',
  ...jsonSchema(operationsFormat),
});
