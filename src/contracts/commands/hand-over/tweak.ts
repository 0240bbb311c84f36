import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/**
 * The customer asks for a tweak after the signature: the job is open again, without a new charge inside the shop's window.
 * What was signed stays as it was sealed.
 */
export const handOverTweak = command({
  name: 'hand-over.tweak',
  may: 'hand-over',
  events: ['job reopened', 'customer said yes'],
  input: z.object({
    jobId: id,
    words: text(1000).min(1, 'What would they have otherwise?'),
  }),
  answer: answering<{ readonly lineId: number; readonly free: boolean }>(),
});
