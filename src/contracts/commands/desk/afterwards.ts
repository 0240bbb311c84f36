import { z } from 'zod';
import { AFTER_OUTCOMES, type AfterOutcome } from '../../../core/desk/afterwards.ts';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/** Notes what came of calling an instrument's owner about a check, something watched or the season. */
export const deskAfterwards = command({
  name: 'desk.afterwards',
  may: 'hand-over',
  events: ['asked afterwards'],
  input: z.object({
    instrumentId: id,
    source: z.string().regex(/^(?:check|watch|season):\d{1,10}$/),
    outcome: z.enum(Object.keys(AFTER_OUTCOMES) as [AfterOutcome, ...AfterOutcome[]]),
    note: text(200),
    againOn: z.iso.date().nullable(),
  }),
  answer: answering<{ readonly noteId: number }>(),
});
