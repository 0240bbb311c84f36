import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Accepts, changes or declines a proposed line, with the reason. Accepted and changed lines go on the work order. */
export const planDecide = command({
  name: 'plan.decide',
  may: 'plan',
  events: ['line accepted', 'line changed', 'line declined'],
  input: z.object({
    jobId: id,
    line: text(60),
    decision: z.enum(['accepted', 'changed', 'declined']),
    change: text(400),
    reason: text(400),
    version,
  }),
  answer: answering<{ readonly version: number }>(),
});
