import { z } from 'zod';
import { answering, command } from '../command.ts';
import { text, version } from '../fields.ts';

/** Keeps how a supplier is reached and how many days they usually take; whoever items name as theirs. */
export const storesSaveSupplier = command({
  name: 'stores.save-supplier',
  may: 'take-in',
  events: ['supplier kept'],
  input: z.object({
    name: text(80).min(1, 'Which supplier?'),
    version,
    email: z.union([z.literal(''), z.email('An e-mail address, like orders@strings.example').max(160)]),
    days: z.number().int().min(0, 'No less than no day').max(365, 'A year at most').nullable(),
  }),
  answer: answering<{ readonly version: number }>(),
});
