import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, strokes, text } from '../fields.ts';

/** The customer has seen what was left, and initials it. What stood there is kept with the initials. */
export const deskReceipt = command({
  name: 'desk.receipt',
  may: 'take-in',
  events: ['receipt initialled'],
  input: z.object({
    jobId: id,
    name: text(120).min(1, 'Who has seen it?'),
    initials: strokes,
  }),
  answer: answering<{ readonly receiptId: number }>(),
});
