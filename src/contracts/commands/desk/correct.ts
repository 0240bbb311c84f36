import { z } from 'zod';
import { MATTERS_NAMES } from '../../../core/instrument/matters.ts';
import { SET_PAYER_NAMES } from '../../../core/job/set-payer.ts';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Puts right what was written at the counter: what they said, when they need it, their limit, how they are reached. */
export const deskCorrect = command({
  name: 'desk.correct',
  may: 'take-in',
  events: ['job corrected'],
  input: z.object({
    jobId: id,
    version,
    said: z.object({
      complaint: text(2000).min(1, 'What brings it here, in the customer’s own words?'),
      touch: z.enum(['light', 'medium', 'heavy']).nullable(),
      plays: text(200),
      matters: z.enum(MATTERS_NAMES).nullable().optional(),
      setPaidBy: z.enum(SET_PAYER_NAMES).nullable().optional(),
      wish: text(1000),
      neededBy: z.union([z.null(), z.iso.date('Write the date as year-month-day')]),
      hardDate: z.boolean(),
      hardReason: text(120),
      limitMinor: z.union([z.null(), z.number().int().min(0).max(100_000_00)]),
    }),
    customer: z.object({
      version,
      name: text(120).min(1, 'Who brings it?'),
      phone: text(40).regex(/^[\d +()/.-]*$/, 'Digits, spaces and + only'),
      email: z.union([z.literal(''), z.email('This is not an e-mail address')]),
    }),
    why: text(200).min(1, 'Why is it corrected?'),
  }),
  answer: answering<{ readonly version: number }>(),
});
