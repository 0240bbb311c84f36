import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';
import { quantity } from './save-item.ts';

/**
 * Says how many of an order came so far, by item: what is more than was said before goes onto the shelf, what is less was said by
 * mistake and is taken from it.
 */
export const storesOrderCame = command({
  name: 'stores.order-came',
  may: 'see',
  events: ['order came', 'stock moved'],
  input: z.object({
    orderId: id,
    version,
    rows: z
      .array(z.object({ itemId: id, came: quantity }))
      .min(1)
      .max(200),
  }),
  answer: answering<{ readonly version: number }>(),
});
