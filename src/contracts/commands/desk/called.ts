import { z } from 'zod';
import { answering, command } from '../command.ts';
import { MESSAGE_PURPOSES } from '../../../core/messages/templates.ts';
import { id } from '../fields.ts';

/** Says that the customer was called: they know, or nobody answered. */
export const deskCalled = command({
  name: 'desk.called',
  may: 'hand-over',
  events: ['customer called'],
  input: z.object({
    jobId: id,
    purpose: z.enum(MESSAGE_PURPOSES),
    reached: z.boolean(),
    /** what was said, or with whom word was left */
    note: z.string().trim().max(160),
  }),
  answer: answering<{ readonly messageId: number }>(),
});
