import { z } from 'zod';
import { condition, unknownValues } from '../condition.ts';
import { operationId } from '../operation-id.ts';
import { QUANTITIES } from '../../core/readings/quantities.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { jsonSchema, type JsonSchema } from '../sums/openapi.ts';

const item = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/),
  text: z.string().min(1).max(120),
  group: z.string().min(1).max(80),
  phase: z.enum(['strings-on', 'strings-off']),
  when: condition.meta({ description: 'when it is asked; {"all": []} is always' }),
  reading: z.enum(QUANTITIES).nullable().meta({ description: 'the reading it takes, or null' }),
  help: z.string().min(1).max(400).meta({ description: 'how to look' }),
  fine: z.string().max(200).meta({ description: 'what counts as fine; may be empty' }),
  caution: z.string().max(300).meta({ description: 'a short caution; may be empty' }),
  leadsTo: operationId.nullable().meta({ description: 'what a “needs work” usually leads to, or null' }),
});

/** The items of one list: each id once, every value of a condition known. */
export const checklistItems = z
  .array(item)
  .min(1, 'A list needs an item')
  .max(300)
  .superRefine((items, context) => {
    const seen = new Set<string>();
    items.forEach(({ id, when }, i) => {
      if (seen.has(id))
        context.addIssue({ code: 'custom', path: [i, 'id'], message: `“${id}” is there twice` });
      seen.add(id);
      const [unknown] = unknownValues(when);
      if (unknown)
        context.addIssue({ code: 'custom', path: [i, 'when'], message: `${unknown} is not known` });
    });
  });

const list = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/),
  name: z.string().min(1).max(80),
  version: z.number().int().min(1),
  ends: z
    .array(z.string().min(1).max(60))
    .max(6)
    .meta({ description: 'the words one of which ends it; may be empty' }),
  items: checklistItems,
});

/** Checklists as they go out and come in: an array of lists. */
export const checklistsFormat = z
  .array(list)
  .min(1, 'There is no list in it')
  .max(20)
  .meta({ title: 'Rubrica checklists' });

export type ChecklistsFile = z.output<typeof checklistsFormat>;

/** Reads a file of checklists. Says where it is damaged, for the first three places. */
export function readChecklists(text: string): Result<ChecklistsFile, string> {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return fail('This is no JSON file.');
  }
  const read = checklistsFormat.safeParse(data);
  if (read.success) return ok(read.data);
  const said = read.error.issues.slice(0, 3).map((i) => `${i.path.join('.') || 'the file'}: ${i.message}`);
  return fail(`This is no file of checklists. ${said.join('; ')}.`);
}

/** The published JSON Schema of the format. */
export const checklistsSchema = (): JsonSchema => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  ...jsonSchema(checklistsFormat),
});
