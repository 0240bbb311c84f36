import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Makes a link to options that are with the customer: told once; one made before opens nothing any more. */
export const planOfferLink = command({
  name: 'plan.offer-link',
  may: 'approve',
  events: ['link made'],
  input: z.object({ offerId: id }),
  answer: answering<{ readonly offerId: number; readonly token: string }>(),
});
