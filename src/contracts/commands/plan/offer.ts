import { z } from 'zod';
import { operationId } from '../../operation-id.ts';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/** Puts options before the customer, those computed and those written by hand: the link's token is told once and kept only as its hash, and only to who may answer for the customer. */
export const planOffer = command({
  name: 'plan.offer',
  may: 'plan',
  events: ['options offered'],
  input: z.object({
    jobId: id,
    days: z.number().int().min(1, 'At least a day').max(90),
    /** written by hand */
    own: z
      .array(
        z.object({
          name: text(80).min(1, 'What is it called?'),
          operations: z.array(operationId).max(30),
          says: text(600),
          left: text(600),
        }),
      )
      .max(3, 'At most three')
      .optional(),
    /** only those written by hand */
    ownOnly: z.boolean().optional(),
  }),
  answer: answering<{ readonly offerId: number; readonly token: string | null }>(),
});
