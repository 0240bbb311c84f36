import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';

/**
 * Says that an order went out: by e-mail of the house, or by the shop's own way; or takes back that it did, as long as nothing of it
 * came.
 */
export const storesPlaceOrder = command({
  name: 'stores.place-order',
  may: 'take-in',
  events: ['order placed', 'order not placed'],
  input: z.object({ orderId: id, version, how: z.enum(['mail', 'own', 'not']) }),
  answer: answering<{ readonly version: number }>(),
});
