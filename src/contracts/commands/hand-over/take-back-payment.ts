import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Takes back a payment that was written down by mistake. */
export const handOverTakeBackPayment = command({
  name: 'hand-over.take-back-payment',
  may: 'hand-over',
  events: ['payment taken back'],
  input: z.object({ paymentId: id, version, why: text(200).min(1, 'Why is it taken back?') }),
  answer: answering<{ readonly version: number }>(),
});
