import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Writes to the customer: there is something to decide, it is ready, or the check is due. */
export const deskMessage = command({
  name: 'desk.message',
  may: 'hand-over',
  events: ['message written'],
  input: z.object({
    jobId: id,
    purpose: z.enum(['estimate', 'ready', 'next-check']),
    channel: z.enum(['mail', 'text']),
  }),
  answer: answering<{ readonly messageId: number }>(),
});
