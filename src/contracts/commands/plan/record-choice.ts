import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';
import { optionChoice } from './option-choice.ts';

/** Writes down what the customer said at the counter, by telephone or in writing. */
export const planRecordChoice = command({
  name: 'plan.record-choice',
  may: 'approve',
  events: ['option chosen'],
  input: z.object({
    offerId: id,
    choice: optionChoice,
    by: text(120).min(1, 'Who said so?'),
    how: z.enum(['at the counter', 'by telephone', 'in writing']),
    note: text(400),
  }),
  answer: answering<{ readonly offerId: number }>(),
});
