import { z } from 'zod';
import { answersOf, TRY_IDS, type TryId } from '../../../core/hunt/tries.ts';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** How much it buzzes, 0 to 1. */
const amount = z.number().min(0).max(1);

/** Keeps one try of a hunt: what was done, what it did to the noise, by word or by the ear, and words about it. */
export const huntTry = command({
  name: 'hunt.try',
  may: 'measure',
  events: ['noise tried'],
  concerns: 'own leaves',
  input: z
    .object({
      jobId: id,
      version,
      what: z.enum(TRY_IDS as [TryId, ...TryId[]]),
      answer: z.string().max(20),
      words: text(300),
      heard: z.object({ before: amount, now: amount }).nullable(),
    })
    .refine(({ what, answer }) => answersOf(what).includes(answer), {
      path: ['answer'],
      message: 'That is no answer to this try.',
    }),
  answer: answering<{ readonly version: number; readonly entry: number }>(),
});
