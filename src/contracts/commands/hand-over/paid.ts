import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, money } from '../fields.ts';

/** Writes down what was paid and how. Rubrica moves no money. */
export const handOverPaid = command({
  name: 'hand-over.paid',
  may: 'hand-over',
  events: ['paid'],
  input: z.object({
    jobId: id,
    amountMinor: money,
    /** what the screen showed as paid already: another payment meanwhile is not written over */
    over: money.nullable().default(null),
    how: z.enum(['cash', 'card', 'transfer', 'on account']),
  }),
  answer: answering<{ readonly version: number }>(),
});
