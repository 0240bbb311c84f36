import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Keeps what was promised, with the chance it had when it was. */
export const weekPromise = command({
  name: 'week.promise',
  may: 'take-in',
  events: ['date promised'],
  input: z.object({
    jobId: id,
    day: z.iso.date('Which day?'),
    chance: z.union([z.null(), z.number().min(0).max(1)]),
  }),
  answer: answering<{ readonly id: number }>(),
});
