import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Records the customer's yes or no to several lines at once. */
export const workAnswerAll = command({
  name: 'work.answer-all',
  may: 'take-in',
  events: ['customer said yes', 'customer said no', 'stock moved', 'part wanted'],
  input: z.object({
    jobId: id,
    lines: z
      .array(z.object({ lineId: id, version }))
      .min(1)
      .max(100),
    answer: z.enum(['yes', 'no']),
    by: text(120).min(1, 'Who said so?'),
    how: z.enum(['at the counter', 'by telephone', 'in writing']),
  }),
  answer: answering<{ readonly answered: number }>(),
});
