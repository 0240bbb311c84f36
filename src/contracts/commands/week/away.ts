import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/** Says that somebody is not here on some days. */
export const weekAway = command({
  name: 'week.away',
  may: 'plan',
  events: ['away said'],
  input: z
    .object({
      personId: id,
      from: z.iso.date('From which day?'),
      to: z.iso.date('To which day?'),
      why: text(80),
    })
    .refine((a) => a.from <= a.to, { message: 'The last day comes before the first', path: ['to'] }),
  answer: answering<{ readonly id: number }>(),
});
