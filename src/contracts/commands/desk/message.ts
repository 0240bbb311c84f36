import { z } from 'zod';
import { answering, command } from '../command.ts';
import { MESSAGE_PURPOSES } from '../../../core/messages/templates.ts';
import { id, text } from '../fields.ts';

/** Writes to the customer: there is something to decide, it is ready, or the check is due. */
export const deskMessage = command({
  name: 'desk.message',
  may: 'hand-over',
  events: ['message written'],
  input: z.object({
    jobId: id,
    purpose: z.enum(MESSAGE_PURPOSES),
    channel: z.enum(['mail', 'text']),
    /** why a look is offered, as the customer reads it */
    why: text(240).optional(),
  }),
  answer: answering<{ readonly messageId: number }>(),
});
