import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Takes back that somebody is not here. */
export const weekBack = command({
  name: 'week.back',
  may: 'plan',
  events: ['away taken back'],
  input: z.object({ id }),
  answer: answering<{ readonly id: number }>(),
});
