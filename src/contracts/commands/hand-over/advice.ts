import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Keeps the advice in the bench's own words, and the day of the next check. */
export const handOverAdvice = command({
  name: 'hand-over.advice',
  may: 'hand-over',
  events: ['advice written'],
  input: z.object({
    jobId: id,
    version,
    advice: text(2000),
    nextCheck: z.union([z.null(), z.iso.date('Write the date as year-month-day')]),
  }),
  answer: answering<{ readonly version: number }>(),
});
