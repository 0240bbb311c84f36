import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/** Opens a job again that was ended without a signature. */
export const handOverReopen = command({
  name: 'hand-over.reopen',
  may: 'hand-over',
  events: ['job opened again'],
  input: z.object({ jobId: id, why: text(200).min(1, 'Why is it opened again?') }),
  answer: answering<{ readonly version: number }>(),
});
