import { z } from 'zod';
import { answering, command } from '../command.ts';
import { storesSaveItem } from './save-item.ts';
import { quantity } from './save-item.ts';

/** Puts things of a list onto the shelves, all that are not known yet by their code, or by their sort and name. */
export const storesImport = command({
  name: 'stores.import',
  may: 'work',
  events: ['item kept', 'stock moved'],
  input: z.object({
    items: z
      .array(
        storesSaveItem.input.omit({ itemId: true, version: true, retired: true }).extend({ there: quantity }),
      )
      .min(1)
      .max(2000),
  }),
  answer: answering<{ readonly added: number; readonly known: number }>(),
});
