import { z } from 'zod';
import { operationId } from '../../operation-id.ts';
import { answering, command } from '../command.ts';
import { id, lineOrNone, text } from '../fields.ts';

/**
 * Something found while inside: the line it stops stands still until the customer has answered, and so do those that need
 * it; the rest goes on. Within the limit the customer named it may go on at once; over it they are always asked.
 */
export const workAskChange = command({
  name: 'work.ask-change',
  may: 'work',
  events: ['change asked', 'step interrupted', 'stock moved', 'part wanted'],
  input: z.object({
    jobId: id,
    operation: operationId,
    detail: text(400),
    found: text(1000).min(1, 'What was found?'),
    stops: lineOrNone,
    withinLimit: z.boolean(),
  }),
  answer: answering<{ readonly lineId: number; readonly approval: 'asked' | 'yes' }>(),
});
