import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Writes an accident's words or remedy anew; the log keeps both. It cannot be taken away. */
export const workChangeAccident = command({
  name: 'work.change-accident',
  may: 'hand-over',
  events: ['accident changed'],
  input: z.object({
    accidentId: id,
    version,
    happened: text(1000).min(1, 'What happened?'),
    remedy: text(1000),
  }),
  answer: answering<{ readonly version: number }>(),
});
