import { z } from 'zod';
import { movesSchema } from '../../moves.ts';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Keeps what was tried on a neck by a name, or changes what is kept. Nothing of it is a reading. */
export const planKeepTry = command({
  name: 'plan.keep-try',
  may: 'plan',
  events: ['what-if kept'],
  input: z.object({
    jobId: id,
    tryId: z.union([z.literal(0), id]),
    name: text(80).min(1, 'What is it called?'),
    moves: movesSchema,
    version,
  }),
  answer: answering<{ readonly tryId: number; readonly version: number }>(),
});
