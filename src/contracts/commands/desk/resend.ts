import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Gives a message that failed to the gateway once more. */
export const deskResend = command({
  name: 'desk.resend',
  may: 'hand-over',
  events: ['message sent again'],
  input: z.object({ messageId: id }),
  answer: answering<{ readonly messageId: number }>(),
});
