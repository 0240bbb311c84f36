import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Minutes after midnight. */
const minute = z.number().int().min(0).max(1440);

/** Says that somebody works on a day at hours that are not their own: stays longer, or comes on a day off. */
export const weekLonger = command({
  name: 'week.longer',
  may: 'plan',
  events: ['longer said'],
  input: z
    .object({ personId: id, day: z.iso.date('Which day?'), from: minute, to: minute })
    .refine((a) => a.from < a.to, { message: 'The end comes before the beginning', path: ['to'] }),
  answer: answering<{ readonly id: number }>(),
});
