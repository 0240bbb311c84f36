import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, lineOrNone } from '../fields.ts';
import { quantity } from './save-item.ts';

/** Says that a job waits for something of the stores that is not here, and for how many; 0 where it waits no longer. */
export const storesWant = command({
  name: 'stores.want',
  may: 'work',
  events: ['part wanted', 'stock moved'],
  input: z.object({ jobId: id, itemId: id, lineId: lineOrNone, quantity }),
  answer: answering<{ readonly wanted: number }>(),
});
