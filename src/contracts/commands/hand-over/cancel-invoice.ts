import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/** Cancels an invoice by another with a number of its own and the reason. */
export const handOverCancelInvoice = command({
  name: 'hand-over.cancel-invoice',
  may: 'hand-over',
  events: ['invoice cancelled'],
  input: z.object({ number: id, reason: text(200).min(1, 'Why is it cancelled?') }),
  answer: answering<{ readonly number: number }>(),
});
