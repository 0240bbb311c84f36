import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, MOST_WHOLE, text } from '../fields.ts';

/** Writes down what was paid, put down before, or given back, and how. Rubrica moves no money. */
export const handOverPaid = command({
  name: 'hand-over.paid',
  may: 'hand-over',
  events: ['paid'],
  input: z.object({
    jobId: id,
    kind: z.enum(['deposit', 'payment', 'refund']),
    amountMinor: z.number().int().min(1, 'How much?').max(100_000_000),
    how: z.enum(['cash', 'card', 'transfer', 'on account']),
    note: text(200),
    /** what the screen showed as paid already: two people do not write down the same payment */
    over: z.number().int().min(-MOST_WHOLE).max(MOST_WHOLE),
  }),
  answer: answering<{ readonly paymentId: number }>(),
});
