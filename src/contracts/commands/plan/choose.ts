import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/**
 * Chooses the plan a job goes by: its operations go on the work order, its predictions stay as they are now. What another
 * plan had put there goes, unless work on it has begun.
 */
export const planChoose = command({
  name: 'plan.choose',
  may: 'plan',
  events: ['plan chosen', 'stock moved', 'part wanted'],
  input: z.object({
    jobId: id,
    plan: z.enum(['leave', 'sufficient', 'best']),
    reason: text(400),
    version,
  }),
  answer: answering<{ readonly version: number; readonly lines: number }>(),
});
