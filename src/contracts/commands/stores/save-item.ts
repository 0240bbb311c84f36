import { z } from 'zod';
import { SORT_IDS, type SortId } from '../../../core/stock/sorts.ts';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** How many of something, in hundredths at most. */
export const quantity = z
  .number('How many? A number, like 1 or 2.5')
  .min(0, 'Nothing less than none')
  .max(100_000, 'So many fit on no shelf')
  .refine((n) => Math.abs(n * 100 - Math.round(n * 100)) < 1e-6, 'No more than two digits behind the point');

const money = z.number().int().min(0).max(1_000_000_000).nullable();

/** Keeps what is known of an item of the stores; a new one where none is said. How many there are is the ledger's. */
export const storesSaveItem = command({
  name: 'stores.save-item',
  may: 'work',
  events: ['item kept'],
  input: z.object({
    itemId: id.nullable(),
    version,
    sort: z.enum(SORT_IDS as [SortId, ...SortId[]]),
    name: text(120).min(1, 'What is it called?'),
    /** by fact, as they are typed */
    facts: z.record(z.string().max(20), text(200)),
    place: text(60),
    supplier: text(80),
    code: text(60),
    least: quantity,
    usual: quantity,
    cost: money,
    price: money,
    /** its rate of tax; null for the shop’s usual one of parts */
    tax: z.string().max(20).nullable(),
    /** no longer kept; its ledger stays */
    retired: z.boolean(),
  }),
  answer: answering<{ readonly itemId: number; readonly version: number }>(),
});
