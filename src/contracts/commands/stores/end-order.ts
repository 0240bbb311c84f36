import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';

/** Says that nothing of an order comes any more, or takes that back. */
export const storesEndOrder = command({
  name: 'stores.end-order',
  may: 'take-in',
  events: ['order ended', 'order goes on'],
  input: z.object({ orderId: id, version, ended: z.boolean() }),
  answer: answering<{ readonly version: number }>(),
});
