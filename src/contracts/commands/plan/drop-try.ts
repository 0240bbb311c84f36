import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';

/** Forgets what was kept by a name; the log remembers it. */
export const planDropTry = command({
  name: 'plan.drop-try',
  may: 'plan',
  events: ['what-if dropped'],
  input: z.object({ tryId: id, version }),
  answer: answering<{ readonly tryId: number }>(),
});
