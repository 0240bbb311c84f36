import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';
import { some } from './save-order.ts';

/** Writes down what a step took from the shelves, all of it or nothing. */
export const storesTake = command({
  name: 'stores.take',
  may: 'work',
  events: ['stock moved'],
  input: z.object({
    jobId: id,
    lineId: id,
    rows: z
      .array(z.object({ itemId: id, quantity: some }))
      .min(1, 'Nothing was taken')
      .max(40),
  }),
  answer: answering<{ readonly taken: number }>(),
});
