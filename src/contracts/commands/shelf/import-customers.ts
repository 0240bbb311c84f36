import { z } from 'zod';
import { answering, command } from '../command.ts';
import { text } from '../fields.ts';

/** Brings customers in from a file: whom the book has just so is left alone, everybody else is written. */
export const shelfImportCustomers = command({
  name: 'shelf.import-customers',
  may: 'take-in',
  events: ['customers brought in'],
  input: z.object({
    customers: z
      .array(
        z.object({
          name: text(120).min(1, 'There is no name'),
          phone: text(40).regex(/^[\d +()/.-]*$/, 'Digits, spaces and + only'),
          email: text(160),
        }),
      )
      .min(1)
      .max(20_000),
  }),
  answer: answering<{ readonly added: number; readonly known: number }>(),
});
