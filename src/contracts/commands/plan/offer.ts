import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Puts options before the customer: the link's token is told once and kept only as its hash. */
export const planOffer = command({
  name: 'plan.offer',
  may: 'plan',
  events: ['options offered'],
  input: z.object({ jobId: id, days: z.number().int().min(1, 'At least a day').max(90) }),
  answer: answering<{ readonly offerId: number; readonly token: string }>(),
});
