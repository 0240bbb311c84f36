import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Forgets a customer: name and contacts go everywhere; what was sealed keeps its digest and says that names were withdrawn. */
export const shelfEraseCustomer = command({
  name: 'shelf.erase-customer',
  may: 'house',
  events: ['customer forgotten', 'names withdrawn'],
  input: z.object({
    customerId: id,
    version,
    /** the name once more, so that it is nobody else */
    name: text(120).min(1, 'Write the name once more'),
    why: text(200).min(1, 'Why is it done?'),
    /** photos that show only them */
    photoIds: z.array(id).max(500),
    /** from invoices as well: local law may want those kept whole for some years */
    invoices: z.boolean(),
  }),
  answer: answering<{ readonly jobs: number; readonly photos: number }>(),
});
