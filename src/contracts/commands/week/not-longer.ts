import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Takes back that somebody stays longer on a day. */
export const weekNotLonger = command({
  name: 'week.not-longer',
  may: 'plan',
  events: ['longer taken back'],
  input: z.object({ id }),
  answer: answering<{ readonly id: number }>(),
});
