import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

const heard = z.enum(['clear', 'buzzes']).nullable();

/** Notes what was heard where this player played: it fits the hand the clearance is worked out for. Null takes it back. */
export const planHear = command({
  name: 'plan.hear',
  may: 'measure',
  events: ['place heard'],
  input: z.object({
    jobId: id,
    string: z.number().int().min(1).max(24, 'It has no such string.'),
    held: z.number().int().min(0).max(36, 'It has no such fret.'),
    heard,
    /** how much it buzzed by ear, 0 to 1; null where somebody says what was heard */
    amount: z.number().min(0, 'From 0 to 1.').max(1, 'From 0 to 1.').nullish(),
    /** what stood there on the screen */
    was: heard,
  }),
  answer: answering<{ readonly heard: 'clear' | 'buzzes' | null }>(),
});
