import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Puts the estimate or the sheet before the customer by a link only they have. */
export const workLink = command({
  name: 'work.link',
  may: 'hand-over',
  events: ['link made'],
  input: z.object({ jobId: id, purpose: z.enum(['estimate', 'sheet']) }),
  answer: answering<{ readonly linkId: number; readonly token: string }>(),
});
