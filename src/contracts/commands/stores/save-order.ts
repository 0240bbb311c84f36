import { z } from 'zod';
import { isDay } from '../../../core/days/zone.ts';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';
import { quantity } from './save-item.ts';

/** So many that there is something to order. */
export const some = quantity.refine((n) => n > 0, 'How many? A number over nothing');
export const dayOrNone = z.string().refine(isDay, 'A day, like 2027-03-31').nullable();

/** Writes an order at a supplier, or changes one that is not ended: what is ordered, when it should come. */
export const storesSaveOrder = command({
  name: 'stores.save-order',
  may: 'take-in',
  events: ['order written'],
  input: z.object({
    orderId: id.nullable(),
    version,
    supplier: text(80).min(1, 'From whom?'),
    note: text(200),
    expected: dayOrNone,
    rows: z
      .array(z.object({ itemId: id, quantity: some }))
      .min(1, 'Nothing is on it')
      .max(200),
  }),
  answer: answering<{ readonly orderId: number; readonly version: number }>(),
});
