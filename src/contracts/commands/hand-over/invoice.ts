import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Makes an invoice of what is to pay, with the next number; it never changes afterwards. */
export const handOverInvoice = command({
  name: 'hand-over.invoice',
  may: 'hand-over',
  events: ['invoice made'],
  input: z.object({ jobId: id }),
  answer: answering<{ readonly number: number }>(),
});
