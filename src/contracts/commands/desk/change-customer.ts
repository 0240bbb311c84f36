import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Puts another customer on a job that was taken in for the wrong one. */
export const deskChangeCustomer = command({
  name: 'desk.change-customer',
  may: 'take-in',
  events: ['customer changed'],
  input: z.object({
    jobId: id,
    version,
    customer: z.union([
      z.object({ id }),
      z.object({
        name: text(120).min(1, 'Who brings it?'),
        phone: text(40).regex(/^[\d +()/.-]*$/, 'Digits, spaces and + only'),
        email: z.union([z.literal(''), z.email('This is not an e-mail address')]),
      }),
    ]),
    /** whether the instrument is theirs as well, or stays with whom it was */
    instrumentToo: z.boolean(),
    why: text(200).min(1, 'Why is it changed?'),
  }),
  answer: answering<{ readonly customerId: number }>(),
});
