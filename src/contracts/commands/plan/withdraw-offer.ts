import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Takes a link back: it opens nothing any more. */
export const planWithdrawOffer = command({
  name: 'plan.withdraw-offer',
  may: 'plan',
  events: ['offer withdrawn'],
  input: z.object({ offerId: id }),
  answer: answering<{ readonly offerId: number }>(),
});
