import { z } from 'zod';
import { FIRST_STEPS } from '../../../core/people/first-day.ts';
import { answering, command } from '../command.ts';
import { version } from '../fields.ts';

/** Says which steps of a shop's first day are done, and whether the path is put away. */
export const houseFirstDay = command({
  name: 'house.first-day',
  may: 'house',
  events: ['first day changed'],
  input: z.object({
    version,
    done: z.array(z.enum(FIRST_STEPS.map((s) => s.key) as [string, ...string[]])).max(FIRST_STEPS.length),
    closed: z.boolean(),
  }),
  answer: answering<{ readonly version: number }>(),
});
