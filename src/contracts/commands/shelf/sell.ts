import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Sells an instrument off the floor: it is its buyer’s from then on, and this is their first entry in the book. */
export const shelfSell = command({
  name: 'shelf.sell',
  may: 'hand-over',
  events: ['instrument sold'],
  input: z.object({
    instrumentId: id,
    version,
    customer: z.union([
      z.object({ id }),
      z.object({
        name: text(120).min(1, 'Who buys it?'),
        phone: text(40).regex(/^[\d +()/.-]*$/, 'Digits, spaces and + only'),
        email: z.union([z.literal(''), z.email('This is not an e-mail address')]),
      }),
    ]),
  }),
  answer: answering<{ readonly customerId: number }>(),
});
