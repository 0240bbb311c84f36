import { z } from 'zod';
import { MATTERS_NAMES } from '../../../core/instrument/matters.ts';
import { SET_PAYER_NAMES } from '../../../core/job/set-payer.ts';
import { constructionSchema } from '../../construction.ts';
import { answering, command } from '../command.ts';
import { id, kindId, relative, stringsState, text, together } from '../fields.ts';

/** Takes an instrument in: customer and instrument found or new, a number, a place, what came with it. */
export const deskTakeIn = command({
  name: 'desk.take-in',
  may: 'take-in',
  events: ['job taken in'],
  input: z.object({
    customer: z.union([
      z.object({ id }),
      z.object({
        name: text(120).min(1, 'Who brings it?'),
        phone: text(40).regex(/^[\d +()/.-]*$/, 'Digits, spaces and + only'),
        email: z.union([z.literal(''), z.email('This is not an e-mail address')]),
      }),
    ]),
    instrument: z.union([
      z.object({ id }),
      z.object({
        maker: text(80),
        model: text(120).min(1, 'What is it called? “no name” will do'),
        year: text(20),
        serial: text(60),
        construction: constructionSchema,
        kind: kindId.optional(),
      }),
    ]),
    complaint: text(2000).min(1, 'What brings it here, in the customer’s own words?'),
    /** null where nobody said */
    touch: z.enum(['light', 'medium', 'heavy']).nullable(),
    plays: text(200),
    /** for what it matters to them; null where nobody asked */
    matters: z.enum(MATTERS_NAMES).nullable().optional(),
    /** who pays for the set it needs to be judged; null where nobody said, or none is needed */
    setPaidBy: z.enum(SET_PAYER_NAMES).nullable().optional(),
    wish: text(1000),
    /** the action they would like, against what is there now */
    actionWish: relative.optional(),
    neededBy: z.union([z.null(), z.iso.date('Write the date as year-month-day')]),
    /** what the planner said of that date at the counter: it was promised by it */
    promisedChance: z.number().min(0).max(1).optional(),
    hardDate: z.boolean(),
    hardReason: text(120),
    limitMinor: z.union([z.null(), z.number().int().min(0).max(100_000_00)]),
    stringsState,
    cameWith: z.array(z.object({ name: text(120).min(1), state: text(200) })).max(30),
    placeId: z.union([z.null(), id]),
    together,
  }),
  answer: answering<{ readonly number: number; readonly jobId: number }>(),
});
