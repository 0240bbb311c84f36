import { z } from 'zod';
import type { Checklist } from '../../core/inspection/checklist.ts';
import { CONDITION_FACTS, type Condition } from '../../core/inspection/condition.ts';
import { OPERATION_IDS } from '../../core/plan/operations.ts';
import { QUANTITIES } from '../../core/readings/quantities.ts';
import { jsonSchema, type JsonSchema } from '../sums/openapi.ts';

const fact = z.enum(CONDITION_FACTS);
const values = z.array(z.string().min(1).max(40)).min(1).max(20);

/** When an item is asked: a fact that is, or is not, one of some values; all or any of several such. */
const condition: z.ZodType<Condition> = z.lazy(() =>
  z.union([
    z.strictObject({ fact, is: values }),
    z.strictObject({ fact, isNot: values }),
    z.strictObject({ all: z.array(condition).max(20) }),
    z.strictObject({ any: z.array(condition).min(1).max(20) }),
  ]),
);

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
  leadsTo: z
    .enum(OPERATION_IDS)
    .nullable()
    .meta({ description: 'what a “needs work” usually leads to, or null' }),
});

/** Checklists as they go out: an array of lists. */
export const checklistsFormat = z
  .array(
    z.strictObject({
      id: z.string().regex(/^[a-z0-9-]{1,40}$/),
      name: z.string().min(1).max(80),
      version: z.number().int().min(1),
      ends: z
        .array(z.string().min(1).max(60))
        .meta({ description: 'the words one of which ends it; may be empty' }),
      items: z.array(item).min(1).max(300),
    }),
  )
  .meta({ title: 'Rubrica checklists' });

export type ChecklistsFile = z.output<typeof checklistsFormat>;

/** Checklists in their format. */
export const toChecklistsFile = (lists: readonly Checklist[]): ChecklistsFile =>
  lists.map((l) => ({
    id: l.id,
    name: l.name,
    version: l.version,
    ends: [...l.ends],
    items: l.items.map((i) => ({
      id: i.key,
      text: i.title,
      group: i.group,
      phase: i.phase,
      when: i.when,
      reading: i.reading ?? null,
      help: i.help,
      fine: i.fine ?? '',
      caution: i.caution ?? '',
      leadsTo: i.leadsTo ?? null,
    })),
  }));

/** The published JSON Schema of the format. */
export const checklistsSchema = (): JsonSchema => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  ...jsonSchema(checklistsFormat),
});
