import { z } from 'zod';
import { UNSIGNED_ENDS } from '../../../core/hand-over/ends.ts';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Ends a job that nobody signs for: called off, given to another shop, ready for the floor, never collected. */
export const handOverEnd = command({
  name: 'hand-over.end',
  may: 'hand-over',
  events: ['job ended', 'stock moved'],
  input: z
    .object({ jobId: id, version, ending: z.enum(UNSIGNED_ENDS), note: text(400) })
    .refine((i) => i.ending === 'floor' || i.note !== '', {
      path: ['note'],
      message: 'Say it in a few words.',
    }),
  answer: answering<{ readonly version: number }>(),
});
