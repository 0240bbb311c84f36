import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Records the customer's yes or no to one line: by whom, how and when. A no takes the line out. */
export const workAnswer = command({
  name: 'work.answer',
  // Whoever hears it writes it down: the yes is the customer's, with who said so and how.
  may: 'take-in',
  events: ['customer said yes', 'customer said no', 'stock moved', 'part wanted'],
  input: z.object({
    lineId: id,
    version,
    answer: z.enum(['yes', 'no']),
    by: text(120).min(1, 'Who said so?'),
    how: z.enum(['at the counter', 'by telephone', 'in writing']),
  }),
  answer: answering<{ readonly version: number }>(),
});
