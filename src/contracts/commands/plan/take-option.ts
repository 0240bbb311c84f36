import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Puts what the customer chose of the options written by hand on the work order, with their yes. */
export const planTakeOption = command({
  name: 'plan.take-option',
  may: 'plan',
  events: ['option put on the order', 'stock moved', 'part wanted'],
  input: z.object({ offerId: id }),
  answer: answering<{ readonly lines: number }>(),
});
